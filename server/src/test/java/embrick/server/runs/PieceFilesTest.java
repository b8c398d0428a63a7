package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.storage.Storage;
import embrick.server.storage.StorageSettings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PieceFilesTest {
    @TempDir
    Path root;

    private PieceFiles files;
    private Path target;

    @BeforeEach
    void aFolder() throws IOException {
        Storage storage = new Storage(new StorageSettings(root, true, 1));
        files = new PieceFiles(storage);
        target = storage.delivery(storage.newDelivery("job", "prints")).resolve("kite.jpg");
    }

    private Path made(String content) throws IOException {
        return Files.writeString(files.temporary(UUID.randomUUID(), 1), content);
    }

    @Test
    void aFinishedFileTakesItsName() throws IOException {
        files.publish(made("picture"), target);
        assertThat(target).hasContent("picture");
    }

    @Test
    void aNameThatIsTakenIsNeverReplaced() throws IOException {
        Files.writeString(target, "somebody's");
        Path made = made("ours");
        assertThatThrownBy(() -> files.publish(made, target)).isInstanceOf(PieceFiles.NameTakenException.class);
        assertThat(target).hasContent("somebody's");
    }

    @Test
    void publishingTheSameTwiceDoesNoHarm() throws IOException {
        files.publish(made("picture"), target);
        files.publish(made("picture"), target);
        assertThat(target).hasContent("picture");
    }

    @Test
    void attemptsOfOnePieceAreDiscardedAndNoOthers() throws IOException {
        UUID piece = UUID.randomUUID();
        Files.writeString(files.temporary(piece, 1), "a");
        Files.writeString(files.temporary(piece, 2), "b");
        Files.writeString(files.temporary(piece, 3), "a later attempt's");
        Path other = made("other");
        files.discardAttempts(piece, 2);
        assertThat(files.temporary(piece, 1)).doesNotExist();
        assertThat(files.temporary(piece, 2)).doesNotExist();
        assertThat(files.temporary(piece, 3)).exists();
        assertThat(other).exists();
    }
}
