package embrick.server.found;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.found.Separations.Progress;
import embrick.server.found.Separations.Separation;
import embrick.server.problems.ProblemException;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class SeparationsTest {
    private final Separations separations = new Separations();
    private final UUID scan = UUID.randomUUID();

    @Test
    void oneScanIsCutApartOnceAtATime() {
        try (Separation _ = separations.begin(scan, "album.tif", 3)) {
            assertThatThrownBy(() -> separations.begin(scan, "album.tif", 3))
                    .isInstanceOf(ProblemException.class)
                    .hasMessageContaining("album.tif");
            assertThat(separations.of(UUID.randomUUID()).all()).isZero();
        }
        try (Separation again = separations.begin(scan, "album.tif", 3)) {
            again.done(2, 3);
            assertThat(separations.of(scan)).isEqualTo(new Progress(2, 3));
        }
        assertThat(separations.of(scan)).isEqualTo(new Progress(0, 0));
    }
}
