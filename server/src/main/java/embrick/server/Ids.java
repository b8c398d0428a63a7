package embrick.server;

import java.security.SecureRandom;
import java.util.UUID;

/** UUIDv7 (RFC 9562, 5.7): 48 bits of milliseconds, then random bits, so that new rows lie together in an index. */
public final class Ids {
    private static final SecureRandom RANDOM = new SecureRandom();

    private Ids() {}

    public static UUID next() {
        long high = System.currentTimeMillis() << 16 | 0x7000L | (RANDOM.nextInt() & 0xFFFL);
        long low = 0x8000_0000_0000_0000L | (RANDOM.nextLong() & 0x3FFF_FFFF_FFFF_FFFFL);
        return new UUID(high, low);
    }
}
