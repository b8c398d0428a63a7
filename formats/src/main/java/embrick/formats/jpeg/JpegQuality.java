package embrick.formats.jpeg;

import java.util.Arrays;
import java.util.Optional;

/**
 * The quality a JPEG was coded at, told by its table of steps for brightness.
 *
 * <p>Coders scale the table of ITU-T T.81, K.1, by quality: 5000 ÷ q per cent below 50, 200 − 2q from there on, rounded, 1 at least
 * (common practice, no source; it is what {@link TurboJpeg} does).
 */
final class JpegQuality {
    /** T.81, table K.1, row by row. */
    private static final int[] STEPS = {
        16, 11, 10, 16, 24, 40, 51, 61,
        12, 12, 14, 19, 26, 58, 60, 55,
        14, 13, 16, 24, 40, 57, 69, 56,
        14, 17, 22, 29, 51, 87, 80, 62,
        18, 22, 37, 56, 68, 109, 103, 77,
        24, 35, 55, 64, 81, 104, 113, 92,
        49, 64, 78, 87, 103, 121, 120, 101,
        72, 92, 95, 98, 112, 100, 103, 99
    };

    private static final int SIDE = 8;
    private static final int BYTES = SIDE * SIDE;

    private JpegQuality() {}

    /**
     * @param segment what stands in a DQT segment (T.81, B.2.4.1)
     * @return empty if it has no table of number 0 in bytes, or one that is no scaled K.1
     */
    static Optional<Integer> of(byte[] segment) {
        return steps(segment).flatMap(JpegQuality::matching);
    }

    /**
     * The quality whose scaled K.1 comes nearest: what coders with tables of their own would have called it.
     *
     * @return empty if there is no table of number 0 in bytes
     */
    static Optional<Integer> about(byte[] segment) {
        return steps(segment).map(JpegQuality::nearest);
    }

    /** The table for brightness, in zigzag order. */
    private static Optional<byte[]> steps(byte[] segment) {
        int at = 0;
        while (at < segment.length) {
            boolean isWide = (segment[at] & 0xf0) != 0;
            boolean isBrightness = (segment[at] & 0x0f) == 0;
            int end = at + 1 + (isWide ? 2 * BYTES : BYTES);
            if (end > segment.length) {
                return Optional.empty();
            }
            if (isBrightness && !isWide) {
                return Optional.of(Arrays.copyOfRange(segment, at + 1, end));
            }
            at = end;
        }
        return Optional.empty();
    }

    private static Optional<Integer> matching(byte[] zigzag) {
        for (int quality = 100; quality >= 1; quality--) {
            if (Arrays.equals(zigzag, scaled(quality))) {
                return Optional.of(quality);
            }
        }
        return Optional.empty();
    }

    /** By the mean of the steps' logarithms: what is twice as coarse counts alike at fine and coarse steps. */
    private static int nearest(byte[] zigzag) {
        double coarse = coarseness(zigzag);
        int nearest = 1;
        double least = Double.MAX_VALUE;
        for (int quality = 1; quality <= 100; quality++) {
            double off = Math.abs(coarseness(scaled(quality)) - coarse);
            if (off < least) {
                least = off;
                nearest = quality;
            }
        }
        return nearest;
    }

    private static double coarseness(byte[] zigzag) {
        double sum = 0;
        for (byte step : zigzag) {
            sum += Math.log(Math.max(1, Byte.toUnsignedInt(step)));
        }
        return sum / BYTES;
    }

    private static byte[] scaled(int quality) {
        int percent = quality < 50 ? 5000 / quality : 200 - 2 * quality;
        byte[] zigzag = new byte[BYTES];
        int x = 0;
        int y = 0;
        for (int i = 0; i < BYTES; i++) {
            zigzag[i] = (byte) Math.clamp((STEPS[y * SIDE + x] * percent + 50) / 100, 1, 255);
            // T.81, figure A.6: up to the right and down to the left, along the rims where they are met.
            boolean isRising = (x + y) % 2 == 0;
            if (isRising) {
                if (x == SIDE - 1) {
                    y++;
                } else if (y == 0) {
                    x++;
                } else {
                    x++;
                    y--;
                }
            } else if (y == SIDE - 1) {
                x++;
            } else if (x == 0) {
                y++;
            } else {
                x--;
                y++;
            }
        }
        return zigzag;
    }
}
