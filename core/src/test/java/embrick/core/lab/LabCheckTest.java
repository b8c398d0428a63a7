package embrick.core.lab;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.lab.LabProduct.PpiRange;
import embrick.core.lab.LabProduct.PrintSides;
import embrick.core.lab.Refusal.Rule;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class LabCheckTest {
    private static final long MEBIBYTE = 1 << 20;

    private static final LabProduct PRINT = new LabProduct(
            "print-8x10",
            "Print 8 × 10 in",
            Optional.of(new PrintSides(new BigDecimal("8"), new BigDecimal("10"))),
            new PpiRange(200, 400),
            List.of(FileKind.JPEG, FileKind.TIFF),
            List.of("sRGB", "opRGB"),
            20 * MEBIBYTE,
            new BigDecimal("3.20"),
            new BigDecimal("1.10"));

    /** Inches × ppi are pixels: 8 × 300 = 2400. */
    @Test
    void takesWhatKeepsToEveryRuleUprightOrTurned() {
        assertThat(LabCheck.refusals(piece(2400, 3000, 300), PRINT)).isEmpty();
        assertThat(LabCheck.refusals(piece(3000, 2400, 300), PRINT)).isEmpty();
        assertThat(LabCheck.refusals(piece(1600, 2000, 200), PRINT)).isEmpty();
        assertThat(LabCheck.refusals(piece(3200, 4000, 400), PRINT)).isEmpty();
    }

    /** 300 ppi in a PNG are 11811 pixels a metre (PNG, third edition, 11.3.4.3), which are 299.9994 ppi. */
    @Test
    void roundingInAFileIsNoRefusal() {
        SourceFacts png =
                facts(FileKind.TIFF, 2400, 3000, Optional.of(Resolution.perMetre(11_811)), embedded("sRGB"), MEBIBYTE);
        assertThat(LabCheck.refusals(png, PRINT)).isEmpty();
        SourceFacts atLeast =
                facts(FileKind.TIFF, 1600, 2000, Optional.of(Resolution.perMetre(7874)), embedded("sRGB"), MEBIBYTE);
        assertThat(LabCheck.refusals(atLeast, PRINT)).isEmpty();
        assertThat(LabCheck.refusals(piece(2401, 3000, 300), PRINT)).isEmpty();
        assertThat(LabCheck.refusals(piece(2403, 3000, 300), PRINT))
                .extracting(Refusal::rule)
                .containsExactly(Rule.SIZE);
    }

    @Test
    void tellsEveryRuleThatIsBrokenWithWhatWasAskedAndWhatIsThere() {
        SourceFacts bad =
                facts(FileKind.PNG, 1500, 1500, Optional.of(Resolution.perInch(150)), Optional.empty(), 21 * MEBIBYTE);
        assertThat(LabCheck.refusals(bad, PRINT))
                .containsExactly(
                        new Refusal(Rule.FILE_TYPE, "JPEG or TIFF", "PNG"),
                        new Refusal(Rule.SIZE, "8 × 10 in", "10 × 10 in (1500 × 1500 px)"),
                        new Refusal(Rule.PPI, "200 to 400 ppi", "150 ppi"),
                        new Refusal(Rule.PROFILE, "“sRGB” or “opRGB”", "no profile in the file"),
                        new Refusal(Rule.FILE_BYTES, "at most 20.0 MiB", "21.0 MiB"));
    }

    @Test
    void aProfileCountsOnlyIfItIsInTheFile() {
        SourceProfile assumed = new SourceProfile("d", "sRGB", ProfileOrigin.ASSUMED);
        SourceFacts piece =
                facts(FileKind.JPEG, 2400, 3000, Optional.of(Resolution.perInch(300)), Optional.of(assumed), MEBIBYTE);
        assertThat(LabCheck.refusals(piece, PRINT)).extracting(Refusal::rule).containsExactly(Rule.PROFILE);
        assertThat(LabCheck.refusals(
                        facts(
                                FileKind.JPEG,
                                2400,
                                3000,
                                Optional.of(Resolution.perInch(300)),
                                embedded("ROMM RGB"),
                                MEBIBYTE),
                        PRINT))
                .containsExactly(new Refusal(Rule.PROFILE, "“sRGB” or “opRGB”", "“ROMM RGB”"));
    }

    @Test
    void aProfileIsTakenByTheSpaceThatItsDescriptionBeginsWith() {
        assertThat(PRINT.takesProfile("sRGB IEC 61966-2-1")).isTrue();
        assertThat(PRINT.takesProfile("srgb built-in")).isTrue();
        assertThat(PRINT.takesProfile("Grey, tone of sRGB")).isFalse();
    }

    @Test
    void aFileWithoutPpiIsRefusedForThatAlone() {
        SourceFacts piece = facts(FileKind.JPEG, 2400, 3000, Optional.empty(), embedded("sRGB"), MEBIBYTE);
        assertThat(LabCheck.refusals(piece, PRINT))
                .containsExactly(new Refusal(Rule.PPI, "200 to 400 ppi", "no ppi in the file"));
    }

    @Test
    void furtherCopiesHaveTheirOwnPrice() {
        assertThat(PRINT.priceOf(1)).isEqualByComparingTo("3.20");
        assertThat(PRINT.priceOf(4)).isEqualByComparingTo("6.50");
        // A piece that is run for no copies is still one.
        assertThat(PRINT.priceOf(0)).isEqualByComparingTo("3.20");
    }

    @Test
    void aPpiRangeIsInOrder() {
        assertThatThrownBy(() -> new PpiRange(400, 200)).hasMessageContaining("400 to 200");
    }

    private static SourceFacts piece(int width, int height, int ppi) {
        return facts(FileKind.JPEG, width, height, Optional.of(Resolution.perInch(ppi)), embedded("sRGB"), MEBIBYTE);
    }

    private static Optional<SourceProfile> embedded(String name) {
        return Optional.of(new SourceProfile("d", name));
    }

    private static SourceFacts facts(
            FileKind kind,
            int width,
            int height,
            Optional<Resolution> ppi,
            Optional<SourceProfile> profile,
            long bytes) {
        return new SourceFacts(
                kind,
                new PixelSize(width, height),
                Orientation.UPRIGHT,
                ppi.map(both -> new MarkedPpi(both, both)),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, profile),
                bytes);
    }
}
