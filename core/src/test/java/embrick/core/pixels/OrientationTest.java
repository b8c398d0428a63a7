package embrick.core.pixels;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.units.PixelSize;
import java.lang.foreign.ValueLayout;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrientationTest {
    /**
     * Exif 2.32, 4.6.4, tag 274: where row 0 and column 0 of the stored picture are seen. The stored picture is
     * {@code a b c / d e f}.
     */
    @ParameterizedTest
    @CsvSource({
        "1, abc/def",
        "2, cba/fed",
        "3, fed/cba",
        "4, def/abc",
        "5, ad/be/cf",
        "6, da/eb/fc",
        "7, fc/eb/da",
        "8, cf/be/ad"
    })
    void bringsThePictureUpright(int tag, String seen) {
        assertThat(seen("abc/def", Orientation.ofTag(tag))).isEqualTo(seen);
    }

    @Test
    void compositionIsOneAfterTheOther() {
        for (Orientation first : Orientation.values()) {
            for (Orientation next : Orientation.values()) {
                String stepwise = seen(seen("abc/def", first), next);
                assertThat(seen("abc/def", first.then(next)))
                        .as("%s then %s", first, next)
                        .isEqualTo(stepwise);
            }
        }
    }

    @Test
    void fourQuarterTurnsAreNone() {
        Orientation turned = Orientation.UPRIGHT;
        for (int i = 0; i < 4; i++) {
            turned = turned.then(Orientation.QUARTER_RIGHT);
        }
        assertThat(turned).isEqualTo(Orientation.UPRIGHT);
        assertThat(Orientation.ofQuarterTurns(-1)).isEqualTo(Orientation.QUARTER_LEFT);
    }

    @Test
    void anUnknownTagIsTakenForUpright() {
        assertThat(Orientation.ofTag(0)).isEqualTo(Orientation.UPRIGHT);
        assertThat(Orientation.ofTag(9)).isEqualTo(Orientation.UPRIGHT);
    }

    private static String seen(String stored, Orientation orientation) {
        String[] rows = stored.split("/");
        PixelSize size = new PixelSize(rows[0].length(), rows.length);
        try (Raster raster = Raster.allocate(size, 1, 1)) {
            String flat = stored.replace("/", "");
            for (int i = 0; i < flat.length(); i++) {
                raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) flat.charAt(i));
            }
            PixelSize seen = orientation.seenSize(size);
            float[] into = new float[(int) seen.pixels()];
            raster.readSeen(orientation, 0, 0, seen.width(), seen.height(), into, 0);
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < into.length; i++) {
                if (i > 0 && i % seen.width() == 0) {
                    text.append('/');
                }
                text.append((char) Math.round(into[i] * 255));
            }
            return text.toString();
        }
    }
}
