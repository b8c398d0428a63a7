package embrick.server.proofs;

import embrick.server.storage.AskerGoneException;
import embrick.server.storage.PictureWork.Asker;
import java.io.ByteArrayOutputStream;

/** Bytes that are collected for somebody; once they have left, the writer is stopped at its next strip. */
final class AskedBytes extends ByteArrayOutputStream {
    private static final long LOOK_NANOS = 200_000_000L;

    private final Asker asker;
    private long lookedAt = System.nanoTime();

    AskedBytes(Asker asker) {
        this.asker = asker;
    }

    @Override
    public synchronized void write(byte[] bytes, int from, int count) {
        long now = System.nanoTime();
        if (now - lookedAt > LOOK_NANOS) {
            lookedAt = now;
            if (asker.isGone()) {
                throw new AskerGoneException();
            }
        }
        super.write(bytes, from, count);
    }
}
