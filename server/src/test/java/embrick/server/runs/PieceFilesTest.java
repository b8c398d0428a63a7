package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.storage.Fingerprints;
import embrick.server.storage.Storage;
import embrick.server.storage.StorageSettings;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
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
        Storage storage = new Storage(StorageSettings.in(root));
        files = new PieceFiles(storage, new Fingerprints());
        target = Files.createDirectories(root.resolve("prints")).resolve("kite.jpg");
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
        files.discardAttempts(piece, 2, Optional.of(target));
        assertThat(files.temporary(piece, 1)).doesNotExist();
        assertThat(files.temporary(piece, 2)).doesNotExist();
        assertThat(files.temporary(piece, 3)).exists();
        assertThat(other).exists();
    }

    /** Linux tells a link across file systems as EXDEV and one that a file system has not as EPERM, both so. */
    private PieceFiles where(java.util.function.BiPredicate<Path, Path> refused) throws IOException {
        return new PieceFiles(new Storage(StorageSettings.in(root)), new Fingerprints()) {
            @Override
            void link(Path from, Path to) throws IOException {
                if (refused.test(from, to)) {
                    throw new FileSystemException(to.toString(), from.toString(), "Operation not permitted");
                }
                super.link(from, to);
            }
        };
    }

    @Test
    void anotherFileSystemGetsACopyThatIsLinkedThere() throws IOException {
        where((from, to) -> !from.getParent().equals(to.getParent())).publish(made("picture"), target);
        assertThat(target).hasContent("picture");
        assertOnlyTheTarget();
    }

    @Test
    void aFileSystemWithoutLinksGetsACopyThatIsRenamed() throws IOException {
        where((from, to) -> true).publish(made("picture"), target);
        assertThat(target).hasContent("picture");
        assertOnlyTheTarget();
    }

    @Test
    void withoutLinksTooANameThatIsTakenIsNeverReplaced() throws IOException {
        Files.writeString(target, "somebody's");
        PieceFiles linkless = where((from, to) -> true);
        Path made = made("ours");
        assertThatThrownBy(() -> linkless.publish(made, target)).isInstanceOf(PieceFiles.NameTakenException.class);
        assertThat(target).hasContent("somebody's");
        assertOnlyTheTarget();
    }

    private void assertOnlyTheTarget() throws IOException {
        try (Stream<Path> lying = Files.list(target.getParent())) {
            assertThat(lying).containsExactly(target);
        }
    }

    @Test
    void foldersAndForeignFilesAmongTemporariesAreLeftAlone() throws IOException {
        Path making = files.temporary(UUID.randomUUID(), 1).getParent();
        Files.createDirectory(making.resolve("folder.part"));
        Files.writeString(making.resolve("notes.part"), "somebody's");
        UUID piece = UUID.randomUUID();
        Files.writeString(files.temporary(piece, 7), "a");
        assertThat(files.temporaries(making))
                .extracting(PieceFiles.Temporary::pieceId)
                .containsExactly(piece);
    }
}
