package embrick.core.check;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.check.Expectation.PageBoxes;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.math.BigDecimal;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ExpectationTest {
    private static Plan plan(FileFormat file) {
        return ((Planning.Ready) Planner.plan(picture(6000, 4000), ticket().withFile(file), Framing.centred())).plan();
    }

    private static SourceFacts found(
            FileKind kind, int width, int height, Resolution across, Resolution down, String profile) {
        return new SourceFacts(
                kind,
                new PixelSize(width, height),
                Orientation.UPRIGHT,
                Optional.of(new MarkedPpi(across, down)),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.of(new SourceProfile(profile, "any name"))),
                1);
    }

    private static final Resolution PPI = Resolution.perInch(300);

    @Test
    void aFileAsPlannedDiffersInNothing() {
        Expectation expectation = Expectation.of(plan(new FileFormat.Jpeg(95)), "abc");
        assertThat(expectation.differences(found(FileKind.JPEG, 3000, 2400, PPI, PPI, "abc"), Optional.empty()))
                .isEmpty();
    }

    @Test
    void everythingThatDiffersIsNamed() {
        Expectation expectation = Expectation.of(plan(new FileFormat.Jpeg(95)), "abc");
        assertThat(expectation.differences(
                        found(FileKind.TIFF, 3000, 2401, PPI, Resolution.perInch(72), "xyz"), Optional.empty()))
                .extracting(Expectation.Difference::what)
                .containsExactly("file", "pixels", "ppi down", "profile");
    }

    @Test
    void aMissingPpiOrProfileIsADifference() {
        SourceFacts bare = new SourceFacts(
                FileKind.JPEG,
                new PixelSize(3000, 2400),
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.empty()),
                1);
        assertThat(Expectation.of(plan(new FileFormat.Jpeg(95)), "abc").differences(bare, Optional.empty()))
                .extracting(Expectation.Difference::toString)
                .containsExactly(
                        "ppi across: expected 300 ppi, found none",
                        "ppi down: expected 300 ppi, found none",
                        "profile: expected abc, found none");
    }

    @Test
    void pngIsHeldToWholePixelsPerMetre() {
        Expectation expectation = Expectation.of(plan(new FileFormat.Png()), "abc");
        Resolution perMetre = Resolution.perMetre(11811);
        assertThat(expectation.differences(
                        found(FileKind.PNG, 3000, 2400, perMetre, perMetre, "abc"), Optional.empty()))
                .isEmpty();
        assertThat(expectation.differences(found(FileKind.PNG, 3000, 2400, PPI, PPI, "abc"), Optional.empty()))
                .hasSize(2);
    }

    @Test
    void tiffIsHeldToTheExactFraction() {
        Resolution odd = Resolution.perInch(new BigDecimal("299.7"));
        Plan plan = ((Planning.Ready) Planner.plan(
                        picture(6000, 4000),
                        ticket().withPpi(odd).withFile(new FileFormat.Tiff(FileFormat.Packing.PLAIN)),
                        Framing.centred()))
                .plan();
        assertThat(Expectation.of(plan, "abc").ppi()).contains(odd);
    }

    /** A page has no ppi: its boxes and the place of its picture say how large it is. */
    @Test
    void aPageIsHeldToItsBoxes() {
        Plan plan = plan(new FileFormat.Pdf(
                new FileFormat.PagePixels.Coded(new FileFormat.Jpeg(95)), FileFormat.PageMarks.NONE));
        Expectation expectation = Expectation.of(plan, "abc");
        SourceFacts facts = new SourceFacts(
                FileKind.PDF,
                new PixelSize(3000, 2400),
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.of(new SourceProfile("abc", "any"))),
                1);
        // 10 × 8 in in points.
        Box whole = new Box(0, 0, 720, 576);
        Box nearly = new Box(0, 0, 720.009, 576);
        Box beside = new Box(0, 0, 720.011, 576);
        assertThat(expectation.differences(facts, Optional.of(new PageBoxes(whole, whole, nearly, whole))))
                .isEmpty();
        assertThat(expectation.differences(facts, Optional.of(new PageBoxes(whole, whole, beside, whole))))
                .extracting(Expectation.Difference::what)
                .containsExactly("trim box");
        assertThat(expectation.differences(facts, Optional.empty()))
                .extracting(Expectation.Difference::what)
                .containsExactly("page");
    }
}
