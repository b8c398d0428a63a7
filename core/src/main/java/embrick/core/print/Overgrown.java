package embrick.core.print;

import embrick.core.grown.BareArea;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.resample.PictureRim;
import java.util.Optional;

/** The picture with what was grown where it does not reach; a pixel on a tilted picture's rim takes of each as much as it has of it. */
final class Overgrown implements PixelSource {
    private final PixelSource picture;
    private final BareArea area;
    private final Optional<PictureRim> rim;
    private final GrownLayer layer;
    private final int channels;
    private float[] grown = new float[0];

    /**
     * @param picture its origin is the area's
     * @param rim of the picture, counted from the corner of what the area knows; empty where it is not tilted
     */
    Overgrown(PixelSource picture, BareArea area, Optional<PictureRim> rim, GrownLayer layer, int channels) {
        this.picture = picture;
        this.area = area;
        this.rim = rim;
        this.layer = layer;
        this.channels = channels;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        picture.render(region, into, at);
        if (!isBareAnywhere(region)) {
            return;
        }
        int needed = region.width() * region.height() * channels;
        if (grown.length < needed) {
            grown = new float[needed];
        }
        layer.read(region, grown, 0);
        int i = 0;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++, i += channels) {
                if (area.isBare(x, y)) {
                    float share = covered(x, y);
                    for (int c = 0; c < channels; c++) {
                        float own = share > 0 ? into[at + i + c] * share : 0;
                        into[at + i + c] = own + grown[i + c] * (1 - share);
                    }
                }
            }
        }
    }

    private float covered(int x, int y) {
        boolean isOutside = !area.known().contains(x, y);
        return isOutside || rim.isEmpty()
                ? 0
                : rim.get().covered(x - area.known().x(), y - area.known().y());
    }

    private boolean isBareAnywhere(PixelRect region) {
        return rim.isPresent() || !area.known().contains(region);
    }
}
