package embrick.formats.contract;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.formats.picture.UnusablePictureException;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What writers keep besides whose files have checks of their pixels, by sums or by a code that does not let every value pass. */
abstract class CheckedWriterContract extends WriterContract {
    /** Zeros over a stretch of the pixels, as a disk leaves them that lost what it was given. */
    @Test
    void aPieceWithALostStretchIsNeverPassed() {
        Random random = new Random(5);
        for (int i = 0; i < 25; i++) {
            byte[] lost = bytes.clone();
            int from = bytes.length / 4 + random.nextInt(bytes.length / 2);
            Arrays.fill(lost, from, from + bytes.length / 8, (byte) 0);
            assertThatThrownBy(() -> verified(lost)).as("from %d", from).isInstanceOf(UnusablePictureException.class);
        }
    }
}
