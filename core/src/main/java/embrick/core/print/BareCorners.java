package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.resample.PictureRim;

/** Lays paper where a tilted picture does not reach; a pixel on its rim takes of each as much as it has of it. */
final class BareCorners implements PixelSource {
    private final PixelSource source;
    private final PictureRim rim;
    private final float[] paper;

    /** @param paper in the output's profile */
    BareCorners(PixelSource source, PictureRim rim, float[] paper) {
        this.source = source;
        this.rim = rim;
        this.paper = paper;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        source.render(region, into, at);
        int to = at;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++, to += paper.length) {
                float share = rim.covered(x, y);
                if (share < 1) {
                    for (int c = 0; c < paper.length; c++) {
                        into[to + c] = into[to + c] * share + paper[c] * (1 - share);
                    }
                }
            }
        }
    }
}
