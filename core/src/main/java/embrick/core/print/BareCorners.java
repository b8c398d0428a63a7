package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;

/** Lays paper where a tilted picture does not reach; a pixel on its rim takes of each as much as it has of it. */
final class BareCorners implements PixelSource {
    private final PixelSource source;
    private final Window window;
    private final PixelSize seen;
    private final float[] paper;

    /** @param paper in the output's profile */
    BareCorners(PixelSource source, Window window, PixelSize seen, float[] paper) {
        this.source = source;
        this.window = window;
        this.seen = seen;
        this.paper = paper;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        source.render(region, into, at);
        int to = at;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++, to += paper.length) {
                float share = covered(window.seenX(x + 0.5, y + 0.5), window.seenY(x + 0.5, y + 0.5));
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
        return (float) Math.clamp(inside / window.scale() + 0.5, 0, 1);
    }
}
