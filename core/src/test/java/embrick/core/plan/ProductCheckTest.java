package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.ProfileRef;
import embrick.core.edge.Rim;
import embrick.core.framing.Framing;
import embrick.core.problem.Problem;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.ProductRule.Accepted;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProductCheckTest {
    private static final Length NONE = Length.millimetres(0);
    private static final Length BLEED = Length.millimetres(3);

    private static ProductRule rule(String width, String height, Length bleed, double leastPpi) {
        return new ProductRule(
                "Poster",
                ((Size.OnPaper) onPaper(width, height)).paper(),
                bleed,
                Length.millimetres(4),
                Resolution.perInch(200),
                leastPpi,
                Optional.of(new ProfileRef.Srgb()),
                Set.of(Accepted.JPEG, Accepted.TIFF),
                Optional.of(5_000_000L));
    }

    private static Ticket held(ProductRule rule) {
        return ticket().withSize(new Size.OnPaper(rule.area()))
                .withEdges(new Edges.Bleed(BLEED, NONE, new EdgeFill.Mirror()))
                .withPpi(Resolution.perInch(200))
                .withColour(OutputColour.SRGB)
                .withFile(new FileFormat.Jpeg(95, FileFormat.Chroma.FULL, Optional.of(5_000_000L)))
                .withProduct(Optional.of(rule));
    }

    private static List<Problem> problems(Ticket ticket) {
        return switch (Planner.plan(picture(6000, 4000), ticket, Framing.centred())) {
            case Planning.Ready _ -> List.of();
            case Planning.Refused refused -> refused.problems();
        };
    }

    /** 6000 × 4000 px on 20 × 24 in stand upright or wide: min(4000 ÷ 20, 6000 ÷ 24) = 200; on 10 × 30 in min(400, 200). */
    @ParameterizedTest
    @CsvSource({
        "6000, 4000, 20 in, 24 in, 200",
        "4000, 6000, 24 in, 20 in, 200",
        "6000, 4000, 30 in, 10 in, 200",
        "1024, 768, 50 cm, 70 cm, 37.157"
    })
    void aPicturesBestPpiIsThatOfTheFrameThatSuitsIt(int width, int height, String a, String b, double ppi) {
        assertThat(rule(a, b, NONE, 1).bestPpi(new PixelSize(width, height))).isCloseTo(ppi, within(0.001));
    }

    @Test
    void aTicketAsItsProductAsksIsPlannedWithTheProductsSafeDistance() {
        assertThat(problems(held(rule("20 in", "24 in", BLEED, 150)))).isEmpty();
        Plan plan =
                FramedPlansTest.plan(picture(6000, 4000), held(rule("20 in", "24 in", BLEED, 150)), Framing.centred());
        // 4 mm at 200 ppi are 31.5 px, rounded up.
        assertThat(plan.extension().rim()).isEqualTo(new Rim.Trimmed(32));
    }

    @Test
    void whateverElseATicketSaysIsRefusedByItsPhrase() {
        Ticket other = held(rule("20 in", "24 in", BLEED, 150))
                .withSize(onPaper("20 in", "25 in"))
                .withEdges(new Edges.None())
                .withPpi(Resolution.perInch(300))
                .withColour(new OutputColour.Keep())
                .withFile(new FileFormat.Png());
        assertThat(problems(other))
                .extracting(Problem::subject)
                .containsExactly("size", "edges", "ppi", "colour", "file");
        assertThat(problems(held(rule("20 in", "24 in", BLEED, 150)).withFile(new FileFormat.Jpeg(95))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.text()).contains("at most 5000000 bytes", "Poster"));
    }

    @Test
    void aFrameWithTooFewPixelsIsRefusedWhateverTheFileHas() {
        Ticket ticket = held(rule("20 in", "24 in", BLEED, 201));
        assertThat(problems(ticket)).extracting(Problem::code).containsExactly("below-product");
        assertThat(ProductCheck.problem(new PixelSize(6000, 4000), rule("20 in", "24 in", BLEED, 200)))
                .isEmpty();
        assertThat(ProductCheck.problem(new PixelSize(6000, 4000), rule("20 in", "24 in", BLEED, 201)))
                .isPresent();
    }

    @Test
    void aRuleThatCannotWorkIsToldWhenItIsMade() {
        assertThatThrownBy(() -> rule("8 mm", "20 mm", NONE, 1))
                .hasMessageContaining("safe distance: expected less than");
        assertThatThrownBy(() -> rule("8 in", "10 in", NONE, 0)).hasMessageContaining("least real ppi");
    }
}
