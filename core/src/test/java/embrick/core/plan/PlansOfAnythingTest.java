package embrick.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.Thorough;
import embrick.core.colour.Intent;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import embrick.core.metadata.MetadataChoice;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.Depth;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Mark;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Ratio;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

/**
 * Whatever facts, ticket and framing can be built: a plan or refusals, never an exception; and every plan can be shown at any
 * reduction. Sizes are drawn over their whole ranges by their logarithms, so that the smallest and the largest meet.
 */
class PlansOfAnythingTest {
    private static final int TIMES = Thorough.cases(20_000, 200_000);

    private final Random random = new Random(20_261_128);

    @Test
    void everyTicketIsPlannedOrRefused() {
        int ready = 0;
        int withBands = 0;
        for (int i = 0; i < TIMES; i++) {
            SourceFacts facts = facts();
            Ticket ticket = ticket();
            Framing framing = framing();
            MeasuredWords words = new MeasuredWords(
                    hasCaption(ticket) ? Optional.of(words()) : Optional.empty(),
                    ticket.mark().flatMap(Mark::words).map(_ -> words()));
            try {
                switch (Planner.plan(facts, ticket, framing, words)) {
                    case Planning.Refused refused ->
                        assertThat(refused.problems()).isNotEmpty();
                    case Planning.Ready planned -> {
                        ready++;
                        withBands += planned.plan().extension().isNone() ? 0 : 1;
                        requireReduced(planned.plan());
                        SmallPlan.of(facts, 1 + random.nextInt(2000));
                    }
                }
            } catch (RuntimeException | AssertionError thrown) {
                throw new AssertionError(
                        "number " + i + ": " + facts + "\n" + ticket + "\n" + framing + "\n" + words, thrown);
            }
        }
        System.out.println(TIMES + " tried, " + ready + " planned, " + withBands + " with bands");
        // Otherwise it would show nothing.
        assertThat(ready).isGreaterThan(TIMES / 8);
        assertThat(withBands).isGreaterThan(TIMES / 20);
    }

    private void requireReduced(Plan plan) {
        for (double reduction : new double[] {1, 1 + random.nextDouble(), logarithmic(1, 5000)}) {
            Plan reduced = ReducedPlan.of(plan, reduction);
            assertThat(reduced.total().width()).isLessThanOrEqualTo(plan.total().width());
            assertThat(reduced.picture().width()).isPositive();
        }
        PageLayout.of(plan);
    }

    private static boolean hasCaption(Ticket ticket) {
        return ticket.edges() instanceof Edges.Border border && border.caption().isPresent();
    }

    private CaptionText words() {
        return new CaptionText(
                random.nextInt(9) == 0 ? "" : "Kites", logarithmic(0.1, 200), random.nextInt(9) == 0 ? "漢" : "");
    }

    private double logarithmic(double low, double high) {
        return Math.exp(Math.log(low) + random.nextDouble() * (Math.log(high) - Math.log(low)));
    }

    @SafeVarargs
    private <T> T oneOf(Supplier<? extends T>... all) {
        return all[random.nextInt(all.length)].get();
    }

    private <E extends Enum<E>> E any(Class<E> type) {
        E[] all = type.getEnumConstants();
        return all[random.nextInt(all.length)];
    }

    private <T> Optional<T> perhaps(Supplier<T> value) {
        return random.nextBoolean() ? Optional.of(value.get()) : Optional.empty();
    }

    /** Often a length that people say, else any. */
    private Length length(double leastMm, double mostMm) {
        return Length.ofParts(Math.round(LengthUnit.MM.parts() * logarithmic(leastMm, mostMm)), LengthUnit.MM);
    }

    private Length orNone(double mostMm) {
        return random.nextInt(4) == 0 ? Length.parse("0", LengthUnit.MM) : length(0.01, mostMm);
    }

    private Resolution resolution() {
        return random.nextInt(3) == 0
                ? new Resolution(Math.round(logarithmic(1, 1e9)), Math.round(logarithmic(1, 1e9)))
                : Resolution.perInch(Math.round(logarithmic(1, random.nextInt(4) == 0 ? 3000 : 400)));
    }

    private Resolution sensibleResolution() {
        while (true) {
            try {
                return resolution();
            } catch (IllegalArgumentException cannotBeBuilt) {
                // Another one.
            }
        }
    }

    private PaperSize paper() {
        // Mostly what is printed, else the largest files would refuse nearly all.
        double most = random.nextInt(4) == 0 ? 30_000 : 1200;
        return new PaperSize(length(1, most), length(1, most));
    }

    private PaperColour colour() {
        return new PaperColour(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    }

    private ProfileRef profile() {
        return oneOf(
                ProfileRef.Srgb::new,
                ProfileRef.AssumedGrey::new,
                () -> new ProfileRef.Icc("a".repeat(64), any(ColourModel.class)));
    }

    private SourceFacts facts() {
        int width = (int) logarithmic(1, random.nextInt(5) == 0 ? 300_000 : 12_000);
        int height = (int) logarithmic(1, random.nextInt(5) == 0 ? 300_000 : 12_000);
        return new SourceFacts(
                any(FileKind.class),
                new PixelSize(width, height),
                any(Orientation.class),
                perhaps(() -> new MarkedPpi(sensibleResolution(), sensibleResolution())),
                new SourceColour(
                        any(ColourModel.class),
                        any(Alpha.class),
                        random.nextBoolean() ? 8 : 16,
                        Optional.empty(),
                        List.of()),
                any(Pages.class),
                Optional.empty(),
                1);
    }

    private Fit fit() {
        return oneOf(
                () -> new Fit.Fill(colour()),
                () -> new Fit.Inside(colour(), any(Anchor.class), orNone(508), any(Fit.TrimMarks.class)),
                () -> new Fit.Grown(colour(), any(Anchor.class)),
                () -> new Fit.Cut(colour(), any(Anchor.class), any(Fit.TrimMarks.class)),
                () -> new Fit.AtScale(
                        colour(), perhaps(this::sensibleResolution), any(Anchor.class), any(Fit.TrimMarks.class)));
    }

    private EdgeFill fill() {
        return oneOf(
                EdgeFill.Picture::new,
                EdgeFill.Mirror::new,
                EdgeFill.DrawnOut::new,
                EdgeFill.RimMean::new,
                EdgeFill.Grown::new,
                () -> new EdgeFill.Plain(colour()));
    }

    private Sides sides(double mostMm) {
        return random.nextBoolean()
                ? Sides.even(length(0.01, mostMm))
                : new Sides(orNone(mostMm), orNone(mostMm), orNone(mostMm), orNone(mostMm));
    }

    private Edges wrap() {
        while (true) {
            try {
                return new Edges.Wrap(sides(304), sides(304), fill(), any(Edges.WrapMarks.class));
            } catch (IllegalArgumentException cannotBeBuilt) {
                // Marks without an allowance, or no band at all.
            }
        }
    }

    private Edges border() {
        Length band = length(0.01, 250);
        BorderSize size = oneOf(
                () -> new BorderSize.Even(band),
                () -> new BorderSize.HeavierBottom(band, band.plus(length(0.01, 250))),
                () -> new BorderSize.GrownTo(paper()));
        return new Edges.Border(
                size,
                colour(),
                perhaps(() -> new Edges.KeyLine(length(0.01, 20), colour())),
                perhaps(() -> new Caption(List.of(new Caption.Part.FileName()), length(1, 254), colour())));
    }

    private Edges edges() {
        return oneOf(
                Edges.None::new, () -> new Edges.Bleed(length(0.01, 50), orNone(50), fill()), this::wrap, this::border);
    }

    private FileFormat file() {
        return oneOf(
                () -> new FileFormat.Jpeg(1 + random.nextInt(100)),
                () -> new FileFormat.Tiff(any(FileFormat.Packing.class), any(Depth.class)),
                () -> new FileFormat.Png(any(Depth.class)),
                () -> new FileFormat.Webp(perhaps(() -> 1 + random.nextInt(100))),
                FileFormat.AsItIs::new,
                () -> new FileFormat.Pdf(
                        oneOf(
                                () -> new FileFormat.PagePixels.Coded(new FileFormat.Jpeg(90)),
                                () -> new FileFormat.PagePixels.Whole(any(Depth.class))),
                        any(FileFormat.PageMarks.class)));
    }

    private Sharpening sharpening() {
        return oneOf(
                Sharpening.None::new,
                () -> new Sharpening.ForPaper(any(PaperKind.class)),
                Sharpening.ForScreen::new,
                () -> new Sharpening.Exact(random.nextInt(101), length(0.05, 4), random.nextDouble() * 0.2),
                () -> new Sharpening.LocalContrast(random.nextInt(101), length(0.5, 20)));
    }

    private <T> T built(Supplier<T> value) {
        while (true) {
            try {
                return value.get();
            } catch (IllegalArgumentException cannotBeBuilt) {
                // Another one.
            }
        }
    }

    private Mark.Content markContent() {
        return oneOf(
                () -> new Mark.Content.Words("Kites"),
                () -> new Mark.Content.Stencil(
                        "d".repeat(64), new PixelSize(1 + random.nextInt(4000), 1 + random.nextInt(4000))));
    }

    private ProductRule product() {
        return new ProductRule(
                "Poster",
                paper(),
                orNone(50),
                orNone(50),
                sensibleResolution(),
                1 + random.nextInt(300),
                perhaps(this::profile),
                Set.of(any(ProductRule.Accepted.class), ProductRule.Accepted.JPEG),
                perhaps(() -> 1_000_000L));
    }

    private Ticket ticket() {
        return new Ticket(
                oneOf(
                        () -> new Size.OnPaper(built(this::paper)),
                        () -> new Size.ShapeOnly(
                                built(() -> new Ratio(1 + random.nextInt(60), 1 + random.nextInt(60)))),
                        () -> new Size.InPixels(new PixelSize(1 + random.nextInt(9000), 1 + random.nextInt(9000))),
                        Size.FreeShape::new,
                        Size.OwnShape::new),
                any(Turn.class),
                built(this::fit),
                built(this::edges),
                sensibleResolution(),
                any(ViewingDistance.class),
                new ResamplingChoice(perhaps(() -> any(Method.class)), any(Light.class), any(Ringing.class)),
                built(this::sharpening),
                oneOf(
                        OutputColour.Keep::new,
                        () -> new OutputColour.Assign(profile()),
                        () -> new OutputColour.Convert(
                                profile(),
                                built(() -> new Rendering(any(Intent.class), any(Rendering.BlackPoint.class))))),
                any(Rounding.class),
                file(),
                MetadataChoice.NOTHING,
                NamePattern.ORIGINAL,
                random.nextInt(4) == 0
                        ? Optional.of(new Mark(
                                markContent(), any(Mark.Place.class), 1 + random.nextInt(30), 1 + random.nextInt(100)))
                        : Optional.empty(),
                random.nextInt(8) == 0 ? Optional.of(built(this::product)) : Optional.empty(),
                1 + random.nextInt(5));
    }

    private Framing framing() {
        double tilt = random.nextInt(3) == 0 ? 0 : random.nextInt(9) == 0 ? 45 : random.nextDouble() * 90 - 45;
        return new Framing(
                random.nextDouble(),
                random.nextDouble(),
                random.nextBoolean() ? 1 : logarithmic(1, 100),
                tilt,
                random.nextInt(4),
                any(Mirror.class),
                any(SheetTurn.class),
                any(Corners.class),
                perhaps(() -> new FreeSides(logarithmic(1e-6, 1), logarithmic(1e-6, 1))));
    }
}
