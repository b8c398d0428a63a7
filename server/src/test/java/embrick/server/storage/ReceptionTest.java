package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.storage.UploadRefusedException.Reason;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.util.unit.DataSize;

/** Files that arrive, and how they become originals. */
class ReceptionTest {
    /** SHA-256 and CRC-32 of "abc": FIPS 180-2, appendix B.1; the CRC by the table of ISO 3309, as zlib gives it. */
    private static final String ABC = "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad";

    private static final long ABC_CRC = 0x352441C2L;

    @TempDir
    Path root;

    private Storage storage;
    private Reception reception;

    @BeforeEach
    void open() throws IOException {
        storage = new Storage(StorageSettings.in(root));
        reception = new Reception(storage, StorageSettings.in(root), new ReadingLane());
    }

    @AfterEach
    void nothingIsLeftArriving() throws IOException {
        try (Stream<Path> incoming = Files.list(root.resolve("incoming"))) {
            assertThat(incoming).isEmpty();
        }
    }

    private static InputStream text(String text) {
        return new ByteArrayInputStream(text.getBytes(StandardCharsets.US_ASCII));
    }

    @Test
    void aFileIsNamedByItsContent() throws IOException {
        try (Arrival arrival = reception.receive(text("abc"), OptionalLong.of(3))) {
            assertThat(arrival.fingerprint()).isEqualTo(new Fingerprint(ABC, ABC_CRC, 3));
            assertThat(storage.original(ABC)).doesNotExist();
            storage.place(arrival, storage.kept(arrival));
        }
        assertThat(storage.original(ABC)).hasContent("abc");
        assertThat(storage.original(ABC)).hasSize(3);
    }

    /** A power cut can leave a file of the right name with the wrong end. */
    @Test
    void aFileThatWasCutShortUnderItsNameIsHealed() throws IOException {
        Files.createDirectories(storage.original(ABC).getParent());
        for (String wrong : new String[] {"ab", "abx", ""}) {
            Files.writeString(storage.original(ABC), wrong);
            try (Arrival arrival = reception.receive(text("abc"), OptionalLong.empty())) {
                storage.place(arrival, storage.kept(arrival));
            }
            assertThat(storage.original(ABC)).hasContent("abc");
        }
    }

    @Test
    @SuppressWarnings("InputStreamSlowMultibyteRead") // a thousand bytes
    void aTransferThatBreaksOffLeavesNothing() {
        InputStream broken = new InputStream() {
            private int left = 1000;

            @Override
            public int read() throws IOException {
                if (--left < 0) {
                    throw new IOException("connection reset");
                }
                return 7;
            }
        };
        assertThatThrownBy(() -> reception.receive(broken, OptionalLong.empty()))
                .isInstanceOf(IOException.class);
    }

    @Test
    void oneThatEndsEarlyIsNotTaken() {
        assertThatThrownBy(() -> reception.receive(text("abc"), OptionalLong.of(4)))
                .isInstanceOfSatisfying(
                        UploadRefusedException.class,
                        refused -> assertThat(refused.reason()).isEqualTo(Reason.BROKEN_OFF));
    }

    @Test
    void oneThatIsTooLargeIsRefusedWhetherItSaysSoOrNot() {
        Reception small = new Reception(
                storage,
                new StorageSettings(root, true, 1, DataSize.ofBytes(0), DataSize.ofKilobytes(100), DataSize.ofBytes(0)),
                new ReadingLane());
        for (OptionalLong length : new OptionalLong[] {OptionalLong.of(200_000), OptionalLong.empty()}) {
            assertThatThrownBy(() -> small.receive(new ByteArrayInputStream(new byte[200_000]), length))
                    .isInstanceOfSatisfying(
                            UploadRefusedException.class,
                            refused -> assertThat(refused.reason()).isEqualTo(Reason.TOO_LARGE));
        }
    }

    @Test
    void theDiskIsNotFilledToItsEnd() {
        Reception full = new Reception(
                storage,
                new StorageSettings(
                        root, true, 1, DataSize.ofBytes(0), DataSize.ofGigabytes(1), DataSize.ofTerabytes(900)),
                new ReadingLane());
        assertThatThrownBy(() -> full.receive(text("abc"), OptionalLong.of(3)))
                .isInstanceOf(StorageFullException.class);
    }

    @Test
    void whatAnEarlierProcessLeftIsSweptAndNothingElse() throws IOException {
        Files.writeString(root.resolve("incoming/one.part"), "left");
        Path folder = Files.createDirectory(root.resolve("incoming/folder.part"));
        reception.sweep();
        assertThat(root.resolve("incoming/one.part")).doesNotExist();
        assertThat(folder).exists();
        Files.delete(folder);
    }
}
