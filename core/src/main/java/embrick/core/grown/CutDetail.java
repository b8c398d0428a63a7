package embrick.core.grown;

import embrick.core.pixels.PixelRect;

/** Whether detail that meets the rim is cut there: what was grown beside it is not like anything in the picture. Embrick's rule, no source. */
final class CutDetail {
    /** Under this mean likeness what was grown shows a break. */
    private static final float BROKEN = 0.6f;
    /** Shorter detail is left to the eye, in pixels. */
    private static final int LEAST = 10;

    private CutDetail() {}

    /** @param box of the detail */
    static boolean isCut(PixelRect box, Matches matches, float[] likeness) {
        if (Math.max(box.width(), box.height()) < LEAST) {
            return false;
        }
        double sum = 0;
        int count = 0;
        for (int at = 0; at < likeness.length; at++) {
            int x = matches.left + at % matches.width;
            int y = matches.top + at / matches.width;
            boolean isBeside = x >= box.x() - Level.PATCH
                    && x < box.right() + Level.PATCH
                    && y >= box.y() - Level.PATCH
                    && y < box.bottom() + Level.PATCH;
            if (isBeside && matches.isTarget(at) && matches.away(at) > 0) {
                sum += likeness[at];
                count++;
            }
        }
        return count > 0 && sum / count < BROKEN;
    }
}
