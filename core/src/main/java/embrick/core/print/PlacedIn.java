package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/** Pixels as a part of a larger rectangle; what lies outside them is left as it is. */
final class PlacedIn implements PixelSource {
    private final PixelSource source;
    private final PixelRect place;
    private final int channels;
    private float[] part = new float[0];

    PlacedIn(PixelSource source, PixelRect place, int channels) {
        this.source = source;
        this.place = place;
        this.channels = channels;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int left = Math.max(region.x(), place.x());
        int top = Math.max(region.y(), place.y());
        int right = Math.min(region.right(), place.right());
        int bottom = Math.min(region.bottom(), place.bottom());
        if (left >= right || top >= bottom) {
            return;
        }
        PixelRect shown = new PixelRect(left - place.x(), top - place.y(), right - left, bottom - top);
        if (shown.width() == region.width() && shown.height() == region.height()) {
            source.render(shown, into, at);
            return;
        }
        int row = shown.width() * channels;
        if (part.length < row * shown.height()) {
            part = new float[row * shown.height()];
        }
        source.render(shown, part, 0);
        for (int y = 0; y < shown.height(); y++) {
            int to = at + ((top - region.y() + y) * region.width() + left - region.x()) * channels;
            System.arraycopy(part, y * row, into, to, row);
        }
    }
}
