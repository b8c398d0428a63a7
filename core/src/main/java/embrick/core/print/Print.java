package embrick.core.print;

import embrick.core.colour.PaperColour;
import embrick.core.colour.Transforms;
import embrick.core.edge.BandFill;
import embrick.core.edge.Bands;
import embrick.core.edge.CaptionRenderer;
import embrick.core.edge.Extension;
import embrick.core.edge.Inked;
import embrick.core.edge.Marking;
import embrick.core.edge.RimMean;
import embrick.core.edge.Stroke;
import embrick.core.edge.WithBands;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Strip;
import embrick.core.plan.Plan;
import embrick.core.resample.Resampler;
import embrick.core.sharpen.Halo;
import embrick.core.sharpen.Sharpened;
import embrick.core.ticket.Rounding;
import embrick.core.units.PixelSize;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Supplier;

/**
 * The output of one plan, made on demand: the sheet's pixels, bands round them, lines and words on those.
 *
 * <p>One thread at a time. Any region gives the same samples that the whole output has there.
 */
public final class Print implements PixelRows {
    /** A kernel of six output rows, and what is left of sixteen that are mixed together. */
    private static final int RESAMPLED_ANEW = 16;

    private final Plan plan;
    private final Transforms transforms;
    private final CaptionRenderer letters;
    private final Grounds grounds;
    private final InsideEdges ground;
    private final PixelSource output;
    /** The prints of one output, each for a thread of its own, and what they have in common. */
    private final Shared shared;

    private float[] strip = new float[0];

    Print(Plan plan, Grounds grounds, Transforms transforms, CaptionRenderer letters) {
        this(plan, grounds, transforms, letters, new Shared());
    }

    private Print(Plan plan, Grounds grounds, Transforms transforms, CaptionRenderer letters, Shared shared) {
        this.plan = plan;
        this.grounds = grounds;
        this.transforms = transforms;
        this.letters = letters;
        this.shared = shared;
        this.ground = grounds.inside();
        // The rim is read by stages of its own: what was measured of sharpening is of the picture, once.
        PixelSource extended = extended(() -> shared.rimMean(() -> RimMean.of(inside(grounds.inside()))));
        PixelSource inked = inked(extended);
        this.output = plan.rounding() == Rounding.DITHERED ? new Dithered(inked, channels()) : inked;
        ground.sharpening().ifPresent(shared.sharpened::add);
    }

    private static final class Shared {
        private final List<Sharpened> sharpened = new CopyOnWriteArrayList<>();
        private float[] rimMean;
        private MarkedStamps stamps;

        synchronized MarkedStamps stamps(Supplier<MarkedStamps> drawing) {
            if (stamps == null) {
                stamps = drawing.get();
            }
            return stamps;
        }

        synchronized float[] rimMean(Supplier<float[]> reading) {
            if (rimMean == null) {
                rimMean = reading.get();
            }
            return rimMean;
        }
    }

    @Override
    public Print another() {
        return new Print(plan, grounds, transforms, letters, shared);
    }

    @Override
    public int rowsMadeAnew() {
        return RESAMPLED_ANEW
                + Resampler.rowsMadeAnew(plan.window(), plan.resampling())
                + ground.sharpening().map(Sharpened::rowsMadeAnew).orElse(0);
    }

    private float[] colour(PaperColour colour) {
        return Colours.in(plan.colour().to(), colour, transforms);
    }

    private WithBands.Inside inside(InsideEdges pixels) {
        return new WithBands.Inside(grounds.whole(pixels), grounds.size(), channels());
    }

    private PixelSource extended(Supplier<float[]> rimMean) {
        Bands bands = plan.bandsRoundGround();
        WithBands.Inside inside = inside(ground);
        if (bands.isNone() || grounds.areBandsGrown()) {
            return inside.pixels();
        }
        return switch (plan.extension().fill()) {
            case BandFill.Mirror _, BandFill.Grown _ -> WithBands.mirrored(inside, bands);
            case BandFill.DrawnOut _ -> WithBands.drawnOut(inside, bands);
            case BandFill.Plain plain -> WithBands.plain(inside, bands, () -> colour(plain.colour()));
            case BandFill.RimMean _ -> WithBands.plain(inside, bands, rimMean);
        };
    }

    private PixelSource inked(PixelSource pixels) {
        Extension extension = plan.extension();
        if (plan.marking().isEmpty()
                && extension.keyLine().isEmpty()
                && extension.caption().isEmpty()
                && extension.marks().isEmpty()) {
            return pixels;
        }
        Inked inked = new Inked(pixels, channels());
        plan.marking().ifPresent(marking -> draw(marking, inked));
        extension
                .keyLine()
                .ifPresent(line -> inked.withLineRound(plan.sheetOnTotal(), line.width(), colour(line.colour())));
        extension.caption().ifPresent(line -> inked.withWords(letters.draw(line), colour(line.colour())));
        for (Stroke mark : extension.marks()) {
            inked.withMark(mark, colour(PaperColour.BLACK), colour(PaperColour.WHITE));
        }
        return inked;
    }

    private void draw(Marking marking, Inked inked) {
        MarkedStamps stamps = shared.stamps(() -> new MarkedStamps(
                marking.stamps().stream()
                        .map(stamp -> letters.draw(stamp, marking.degrees()))
                        .toList(),
                grounds.whole(grounds.inside()),
                grounds.place(),
                channels()));
        float[] black = colour(PaperColour.BLACK);
        float[] white = colour(PaperColour.WHITE);
        for (int i = 0; i < stamps.count(); i++) {
            int at = i;
            inked.withFaintWords(stamps.drawn(i), marking.strength(), () -> stamps.isDark(at) ? black : white);
        }
    }

    @Override
    public PixelSize size() {
        return plan.total();
    }

    @Override
    public int channels() {
        return plan.colour().to().model().channels();
    }

    @Override
    public int bitsPerChannel() {
        return plan.bitsPerChannel();
    }

    /**
     * How far sharpened contours overshoot in what has been rendered so far, by this and all others of the same output; empty
     * where nothing is sharpened.
     */
    public Optional<Halo> halo() {
        return shared.sharpened.isEmpty() ? Optional.empty() : Optional.of(Sharpened.halo(shared.sharpened));
    }

    @Override
    public Strip rows(int y, int rows) {
        int needed = Math.multiplyExact(Math.multiplyExact(rows, size().width()), channels());
        if (strip.length < needed) {
            strip = new float[needed];
        }
        render(new PixelRect(0, y, size().width(), rows), strip);
        return new Strip(y, rows, size().width(), channels(), strip);
    }

    /**
     * Fills a rectangle of the output.
     * Shapes: into height × width × channels, interleaved, row-major. Units: 0..1 of the output's encoding.
     * Errors: IllegalArgumentException if the rectangle leaves the output.
     */
    public void render(PixelRect region, float[] into) {
        if (!region.isInside(size())) {
            throw new IllegalArgumentException("region: expected inside " + size() + ", got " + region);
        }
        output.render(region, into, 0);
    }
}
