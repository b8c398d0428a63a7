package embrick.core.found.level;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.Thorough;
import embrick.core.found.Confidence;
import embrick.core.found.Photographs;
import embrick.core.found.SmallPixels;
import embrick.core.found.level.LevelFinder.Level;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Real photographs turned by known angles; they were taken, or drawn, level. Those of Debian's wallpapers that show a horizon, a
 * shore, a jetty or trees are named; the others, drawn shapes mostly, only must not be wrong where they are said to be sure.
 */
class TurnedPhotographsTest {
    private static final double[] TURNS = {-3.3, 2.1};

    @Test
    void isRightWhereItIsSure() throws IOException {
        List<Double> off = new ArrayList<>();
        int turns = Thorough.cases(1, TURNS.length);
        int sureOfLines = 0;
        for (Path file : Photographs.files()) {
            boolean hasLines = Photographs.WITH_LINES.stream().anyMatch(file.toString()::contains);
            SmallPixels photograph = Photographs.read(file, hasLines ? 2600 : 1600);
            for (int i = 0; i < turns; i++) {
                double turn = TURNS[i];
                Optional<Level> found = LevelFinder.find(TurnedPicture.of(photograph, turn));
                if (found.isPresent() && found.get().confidence() == Confidence.SURE) {
                    off.add(Math.abs(found.get().leans() - turn));
                    sureOfLines += hasLines ? 1 : 0;
                }
            }
        }
        Collections.sort(off);
        assertThat(off.get(off.size() / 2)).as("median of %s", off).isLessThan(0.3);
        assertThat(off.getLast()).as("farthest of %s", off).isLessThan(0.7);
        assertThat(sureOfLines)
                .as("of %d with lines", Photographs.WITH_LINES.size() * turns)
                .isGreaterThanOrEqualTo(2 * turns);
    }
}
