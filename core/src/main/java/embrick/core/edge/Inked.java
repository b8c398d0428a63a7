package embrick.core.edge;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** Lines and words over finished pixels: key line, caption, marks, in this order. */
public final class Inked implements PixelSource {
    private final PixelSource ground;
    private final int channels;
    private final List<Ink> inks = new ArrayList<>();

    public Inked(PixelSource ground, int channels) {
        this.ground = ground;
        this.channels = channels;
    }

    /** Something that covers pixels of its place with one colour. */
    private record Ink(PixelRect place, Share share, Supplier<float[]> colour) {
        Ink(PixelRect place, Share share, float[] colour) {
            this(place, share, () -> colour);
        }
    }

    private interface Share {
        float of(int x, int y);
    }

    /** A line of whole pixels just outside a rectangle. */
    public Inked withLineRound(PixelRect inner, int width, float[] colour) {
        int outerWidth = inner.width() + 2 * width;
        int left = inner.x() - width;
        int top = inner.y() - width;
        inks.add(new Ink(new PixelRect(left, top, outerWidth, width), (_, _) -> 1, colour));
        inks.add(new Ink(new PixelRect(left, inner.bottom(), outerWidth, width), (_, _) -> 1, colour));
        inks.add(new Ink(new PixelRect(left, inner.y(), width, inner.height()), (_, _) -> 1, colour));
        inks.add(new Ink(new PixelRect(inner.right(), inner.y(), width, inner.height()), (_, _) -> 1, colour));
        return this;
    }

    public Inked withWords(CaptionRenderer.Coverage words, float[] colour) {
        inks.add(new Ink(words.place(), words::share, colour));
        return this;
    }

    /**
     * @param strength share that is covered where a letter covers all
     * @param colour asked for only when the words are met
     */
    public Inked withFaintWords(CaptionRenderer.Coverage words, double strength, Supplier<float[]> colour) {
        float most = (float) strength;
        inks.add(new Ink(words.place(), (x, y) -> words.share(x, y) * most, colour));
        return this;
    }

    public Inked withMark(Stroke mark, float[] black, float[] white) {
        inks.add(new Ink(mark.reach(), mark::inked, white));
        inks.add(new Ink(mark.reach(), mark::black, black));
        return this;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        ground.render(region, into, at);
        for (Ink ink : inks) {
            lay(ink, region, into, at);
        }
    }

    private void lay(Ink ink, PixelRect region, float[] into, int at) {
        PixelRect place = ink.place();
        int left = Math.max(place.x(), region.x());
        int right = Math.min(place.right(), region.right());
        if (left >= right || place.y() >= region.bottom() || place.bottom() <= region.y()) {
            return;
        }
        float[] colour = ink.colour().get();
        for (int y = Math.max(place.y(), region.y()); y < Math.min(place.bottom(), region.bottom()); y++) {
            int to = at + ((y - region.y()) * region.width() + left - region.x()) * channels;
            for (int x = left; x < right; x++, to += channels) {
                float share = ink.share().of(x, y);
                for (int c = 0; share > 0 && c < channels; c++) {
                    into[to + c] = share >= 1 ? colour[c] : into[to + c] * (1 - share) + colour[c] * share;
                }
            }
        }
    }
}
