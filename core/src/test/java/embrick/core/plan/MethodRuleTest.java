package embrick.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.resample.Window;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.units.PixelSize;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MethodRuleTest {
    private static final PixelSize SEEN = new PixelSize(1200, 900);

    private static Window window(double scale, double tilt) {
        return new Window(Orientation.UPRIGHT, new PixelSize(300, 200), 600, 450, scale, tilt);
    }

    private static SourceFacts facts(ColourModel model, SourceDetail detail) {
        return facts(FileKind.TIFF, model, detail);
    }

    private static SourceFacts facts(FileKind kind, ColourModel model, SourceDetail detail) {
        return new SourceFacts(
                        kind,
                        SEEN,
                        Orientation.UPRIGHT,
                        Optional.empty(),
                        new SourceColour(model, Alpha.OPAQUE, 8, Optional.empty()),
                        0)
                .withDetail(detail);
    }

    private static Resampling byItself(Window window) {
        return MethodRule.resolve(
                ResamplingChoice.BY_ITSELF, window, SEEN, facts(ColourModel.RGB, SourceDetail.UNKNOWN));
    }

    @ParameterizedTest
    @CsvSource({
        "3, 0, LANCZOS3",
        "1, 0.3, LANCZOS3",
        "0.78, 0, LANCZOS3",
        "0.76, 0, LEARNED",
        "0.5, 0, LEARNED",
        "0.25, 5, LEARNED",
        "0.249, 0, MITCHELL",
        "0.1, 12, MITCHELL"
    })
    void byItselfIsLearnedWhereThatWasShownBetterAndSmoothWhenEnlargedFar(double scale, double tilt, Method method) {
        assertThat(byItself(window(scale, tilt)).method()).isEqualTo(method);
    }

    @Test
    void pixelsAreKeptWhateverWasAskedFor() {
        ResamplingChoice choice =
                new ResamplingChoice(Optional.of(Method.CIRCULAR_LANCZOS), Light.LINEAR, Ringing.LIMITED);
        assertThat(MethodRule.resolve(choice, window(1, 0), SEEN, facts(ColourModel.RGB, SourceDetail.UNKNOWN)))
                .isEqualTo(new Resampling(Method.NEAREST, Light.ENCODED, Ringing.FREE));
    }

    @Test
    void inkAmountsAreNoLight() {
        ResamplingChoice choice = new ResamplingChoice(Optional.of(Method.KEYS), Light.LINEAR, Ringing.LIMITED);
        assertThat(MethodRule.resolve(choice, window(2, 0), SEEN, facts(ColourModel.CMYK, SourceDetail.UNKNOWN)))
                .isEqualTo(new Resampling(Method.KEYS, Light.ENCODED, Ringing.LIMITED));
        assertThat(MethodRule.resolve(choice, window(2, 0), SEEN, facts(ColourModel.GREY, SourceDetail.UNKNOWN))
                        .light())
                .isEqualTo(Light.LINEAR);
    }

    @Test
    void learnedIsForEnlargementsOfPicturesThatHaveALuminance() {
        ResamplingChoice learned = new ResamplingChoice(Optional.of(Method.LEARNED), Light.LINEAR, Ringing.LIMITED);
        assertThat(MethodRule.resolve(learned, window(0.5, 3), SEEN, facts(ColourModel.RGB, SourceDetail.UNKNOWN)))
                .as("its detail is of encoded pixels")
                .isEqualTo(new Resampling(Method.LEARNED, Light.ENCODED, Ringing.LIMITED));
        assertThat(MethodRule.resolve(learned, window(0.8, 0), SEEN, facts(ColourModel.RGB, SourceDetail.UNKNOWN)))
                .as("too little to double")
                .isEqualTo(new Resampling(Method.LANCZOS3, Light.LINEAR, Ringing.LIMITED));
        assertThat(MethodRule.resolve(learned, window(0.5, 0), SEEN, facts(ColourModel.CMYK, SourceDetail.UNKNOWN)))
                .as("inks")
                .isEqualTo(new Resampling(Method.LANCZOS3, Light.ENCODED, Ringing.LIMITED));
    }

    @ParameterizedTest
    @CsvSource({"0.5, LANCZOS3", "0.3334, LANCZOS3", "0.3333, MITCHELL"})
    void linearLightAndInksAreLeftToKernels(double scale, Method method) {
        ResamplingChoice linear = new ResamplingChoice(Optional.empty(), Light.LINEAR, Ringing.FREE);
        assertThat(MethodRule.resolve(linear, window(scale, 0), SEEN, facts(ColourModel.RGB, SourceDetail.UNKNOWN)))
                .isEqualTo(new Resampling(method, Light.LINEAR, Ringing.FREE));
        assertThat(MethodRule.resolve(
                                ResamplingChoice.BY_ITSELF,
                                window(scale, 0),
                                SEEN,
                                facts(ColourModel.CMYK, SourceDetail.UNKNOWN))
                        .method())
                .isEqualTo(method);
    }

    @ParameterizedTest
    @CsvSource({
        "JPEG, 75, , LEARNED_SOFTENING",
        "JPEG, 92, , LEARNED_SOFTENING",
        "JPEG, 93, 0.1, LEARNED",
        "JPEG, , , LEARNED_SOFTENING",
        "TIFF, , 1.2, LEARNED_SOFTENING",
        "TIFF, , 0.2, LEARNED"
    })
    void marksOfJpegAreSoftenedAsTheyAreEnlarged(FileKind kind, Integer quality, Double marks, Method method) {
        SourceDetail detail =
                new SourceDetail(Optional.ofNullable(quality), Optional.empty(), Optional.ofNullable(marks));
        assertThat(MethodRule.resolve(
                                ResamplingChoice.BY_ITSELF, window(0.5, 0), SEEN, facts(kind, ColourModel.RGB, detail))
                        .method())
                .isEqualTo(method);
    }

    @ParameterizedTest
    @CsvSource({"1, false", "0.78, false", "0.76, true", "0.5, true", "0.25, true", "0.1, true"})
    void aPictureIsDoubledOnceItIsWorthIt(double scale, boolean doubles) {
        assertThat(Method.LEARNED.doubles(scale)).isEqualTo(doubles);
        assertThat(Method.LANCZOS3.doubles(scale)).isFalse();
    }
}
