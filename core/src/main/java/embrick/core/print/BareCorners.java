package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;

/** Lays paper where a tilted picture does not reach; a pixel on its rim takes of each as much as it has of it. */
final class BareCorners implements PixelSource {
    private final PixelSource source;
    private final PixelSize seen;
    private final float[] paper;
    private final double scale;
    /** Where the output's corner lies in the seen picture, and how far one goes there by an output pixel across and down. */
    private final double cornerX;

    private final double cornerY;
    private final double acrossX;
    private final double acrossY;
    private final double downX;
    private final double downY;

    /** @param paper in the output's profile */
    BareCorners(PixelSource source, Window window, PixelSize seen, float[] paper) {
        this.source = source;
        this.seen = seen;
        this.paper = paper;
        this.scale = window.scale();
        this.cornerX = window.seenX(0, 0);
        this.cornerY = window.seenY(0, 0);
        this.acrossX = window.seenX(1, 0) - cornerX;
        this.acrossY = window.seenY(1, 0) - cornerY;
        this.downX = window.seenX(0, 1) - cornerX;
        this.downY = window.seenY(0, 1) - cornerY;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        source.render(region, into, at);
        int to = at;
        for (int y = region.y(); y < region.bottom(); y++) {
            double rowX = cornerX + (y + 0.5) * downX;
            double rowY = cornerY + (y + 0.5) * downY;
            for (int x = region.x(); x < region.right(); x++, to += paper.length) {
                float share = covered(rowX + (x + 0.5) * acrossX, rowY + (x + 0.5) * acrossY);
                if (share < 1) {
                    for (int c = 0; c < paper.length; c++) {
                        into[to + c] = into[to + c] * share + paper[c] * (1 - share);
                    }
                }
            }
        }
    }

    /** By the distance to the nearest rim in output pixels: half of a pixel whose middle lies on it. */
    private float covered(double x, double y) {
        double inside = Math.min(Math.min(x, seen.width() - x), Math.min(y, seen.height() - y));
        return (float) Math.clamp(inside / scale + 0.5, 0, 1);
    }
}
