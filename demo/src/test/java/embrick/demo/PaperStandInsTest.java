package embrick.demo;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.demo.ink.SimulatedPaper;
import embrick.formats.icc.ShippedProfile;
import org.junit.jupiter.api.Test;

/** The making of the paper profiles can be run again, and gives what ships. */
class PaperStandInsTest {
    /** lut16Type's counts that another machine's sums may move by a rounding. */
    private static final int APART = 2;

    @Test
    void remadeTheyAreWhatShips() {
        byte[] made = PaperStandIns.rgb(SimulatedPaper.COTTON_RAG);
        byte[] shipped = ShippedProfile.COTTON_RAG_RGB.bytes();
        assertThat(made).hasSameSizeAs(shipped);
        int differing = 0;
        for (int i = 0; i + 1 < made.length; i += 2) {
            int one = (made[i] & 0xff) << 8 | made[i + 1] & 0xff;
            int other = (shipped[i] & 0xff) << 8 | shipped[i + 1] & 0xff;
            if (one != other) {
                differing++;
                assertThat(Math.abs(one - other)).as("at byte %d", i).isLessThanOrEqualTo(APART);
            }
        }
        assertThat(differing).isLessThan(made.length / 2000);
    }

    @Test
    void eachHasAFileNameOfItsOwn() {
        assertThat(PaperStandIns.fileName(SimulatedPaper.COTTON_RAG, "cmyk")).isEqualTo("cotton-rag-cmyk.icc");
    }
}
