package embrick.server.proofs;

import java.awt.image.BufferedImage;

/** Stripes that no photograph has, to mark a place of a proof: one pixel of paper, two of ink, then the proof, slanting. */
final class Stripes {
    private static final int APART = 6;
    private static final int INK_ARGB = 0xFF1F2A30;
    private static final int PAPER_ARGB = 0xFFF6F3EC;

    private Stripes() {}

    /** Draws a pixel where a stripe falls on it. */
    static void mark(BufferedImage marks, int x, int y) {
        int across = Math.floorMod(x + y, APART);
        if (across < APART / 2) {
            marks.setRGB(x, y, across == 0 ? PAPER_ARGB : INK_ARGB);
        }
    }
}
