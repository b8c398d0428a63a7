package embrick.core.found.scan;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.Thorough;
import embrick.core.found.Photographs;
import embrick.core.found.SmallPixels;
import embrick.core.found.scan.DrawnScan.Laid;
import embrick.core.found.scan.DrawnScan.Wander;
import embrick.core.found.scan.ScanBorder.Scan;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Real photographs, from Debian's packages of wallpapers, laid on drawn beds by known turns. */
class PhotographsOnBedsTest {
    @Test
    void findsThemOrDeclines() throws IOException {
        List<String> wrong = new ArrayList<>();
        int right = 0;
        int tried = 0;
        int seed = 0;
        for (Path file : Photographs.files()) {
            if (++seed % 2 == 0 && !Thorough.isAsked()) {
                continue;
            }
            SmallPixels photograph = Photographs.read(file, 900);
            DrawnScan.Print print = DrawnScan.print(photograph);
            Random random = DrawnScan.random(seed);
            double width = 700 + 300 * random.nextDouble();
            Rectangle truth = new Rectangle(
                    745,
                    552,
                    width,
                    Math.min(800, width * photograph.height() / photograph.width()),
                    20 * random.nextDouble() - 10);
            DrawnScan scan = ScanBorderTest.scan(seed % 4, seed)
                    .shadow(truth, 3, 4, ScanBorderTest.between(random, 4, 10), 0.25)
                    .lay(new Laid(truth, print, Wander.NONE))
                    .dust(60);
            Scan found = ScanBorder.find(scan.scanned(0.008));
            tried++;
            right += ScanBorderTest.isRight(found, truth, file.getFileName(), wrong) ? 1 : 0;
        }
        assertThat(wrong).as("offered, and wrong").isEmpty();
        assertThat(right).as("of %d photographs", tried).isGreaterThanOrEqualTo((int) (0.8 * tried));
    }
}
