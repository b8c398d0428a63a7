package embrick.core.gamut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.pixels.ColourModel;
import java.util.BitSet;
import org.junit.jupiter.api.Test;

class LossMeterTest {
    private static final ProfileRef WIDE = new ProfileRef.Icc("wide", ColourModel.RGB);
    private static final ProfileRef NARROW = new ProfileRef.Icc("narrow", ColourModel.RGB);

    /** Numbers are L* ÷ 100, a* ÷ 100 and b* ÷ 100; the narrow profile has no a* beyond 50. */
    private static final Transforms LIMITED = new Transforms() {
        @Override
        public Transform along(ColourPath path) {
            return (in, from, out, at, pixels) -> {
                for (int i = 0; i < pixels * 3; i++) {
                    boolean isA = i % 3 == 1;
                    out[at + i] = isA ? Math.min(0.5f, in[from + i]) : in[from + i];
                }
            };
        }

        @Override
        public Transform toLab(ProfileRef profile) {
            return (in, from, out, at, pixels) -> {
                for (int i = 0; i < pixels * 3; i++) {
                    out[at + i] = in[from + i] * 100;
                }
            };
        }

        @Override
        public Encoding encoding(ProfileRef profile) {
            return Encoding.srgb();
        }
    };

    private static float[] ramp() {
        float[] colours = new float[101 * 3];
        for (int i = 0; i <= 100; i++) {
            colours[3 * i] = 0.5f;
            colours[3 * i + 1] = i / 100f;
        }
        return colours;
    }

    @Test
    void coloursBeyondAreCountedAndMarkedAlike() {
        GamutCheck meter = new GamutCheck(new ColourPath(WIDE, NARROW), LIMITED);
        float[] colours = ramp();
        meter.measure(colours, 0, 101);
        BitSet marked = meter.beyond(colours, 0, 101);
        // On the a* axis ΔE00 is ΔC ÷ (1 + 0.045 C̄): over 2 from a* 57 on (7 ÷ 3.41), not yet at 56 (6 ÷ 3.39).
        assertThat(marked.nextSetBit(0)).isEqualTo(57);
        assertThat(marked.cardinality()).isEqualTo(44);
        assertThat(meter.loss().beyond()).isEqualTo(44);
        assertThat(meter.loss().share()).isCloseTo(44 / 101.0, within(1e-12));
        assertThat(meter.loss().meanDifference()).isBetween(1.5, 3.5);
    }

    @Test
    void keptNumbersLoseNothing() {
        GamutCheck meter = new GamutCheck(new ColourPath(WIDE, WIDE), LIMITED);
        meter.measure(ramp(), 0, 101);
        assertThat(meter.beyond(ramp(), 0, 101).isEmpty()).isTrue();
        assertThat(meter.loss()).isEqualTo(new GamutLoss(101, 0, 0));
        assertThat(GamutLoss.NONE.share()).isZero();
    }
}
