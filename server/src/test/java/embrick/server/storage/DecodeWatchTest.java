package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.Formats;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalLong;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures under whose decoder a process ended. */
class DecodeWatchTest {
    @TempDir
    Path root;

    private Storage storage;
    private final byte[] picture = TestPictures.drawn("jpg", 320, 200);
    private final String digest = Sha256.of(picture);

    @BeforeEach
    void aStorageWithOnePicture() throws IOException {
        storage = new Storage(StorageSettings.in(root));
        try (Arrival arrival = new Reception(storage, StorageSettings.in(root), new ReadingLane())
                .receive(new ByteArrayInputStream(picture), OptionalLong.empty())) {
            storage.place(arrival, storage.kept(arrival));
        }
    }

    /** Another process that begins to decode and is then ended, as a damaged picture ends one. */
    public static void main(String[] arguments) throws IOException {
        DecodeWatch watch = new DecodeWatch(new Storage(StorageSettings.in(Path.of(arguments[0]))));
        Files.writeString(watch.scratch().resolve("left"), "something");
        watch.during(arguments[1], () -> {
            Runtime.getRuntime().halt(134);
            return null;
        });
    }

    private void endAProcessOver(String picture) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        DecodeWatchTest.class.getName(),
                        root.toString(),
                        picture)
                .inheritIO()
                .start();
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).isEqualTo(134);
    }

    @Test
    void areDecodedApartFromThenOnUntilSomebodyTrustsThem() throws Exception {
        endAProcessOver(digest);
        DecodeWatch watch = new DecodeWatch(storage);
        assertThat(watch.isSuspect(digest)).isTrue();
        Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT, watch.scratch(), new Crew(1));
        OriginalFiles files = new OriginalFiles(
                storage, new Roots(new RootSettings(List.of()), StorageSettings.in(root)), new Fingerprints());
        Pictures pictures = new Pictures(storage, files, formats, new DecodedOriginals(1L << 28), watch, new Crew(1));
        // As sound as it is, it still opens: in a process of its own.
        int width = pictures.whole(
                new OriginalPlace.Kept(digest),
                formats.inspect(storage.original(digest)),
                opened -> opened.raster().stored().width());
        assertThat(width).isEqualTo(320);
        watch.trust(digest);
        assertThat(watch.isSuspect(digest)).isFalse();
    }

    @Test
    void nothingIsLeftOfTheProcessThatEnded() throws Exception {
        endAProcessOver(digest);
        new DecodeWatch(storage);
        try (var left = Files.newDirectoryStream(root.resolve("decoding"), "process-*")) {
            assertThat(left).hasSize(1);
        }
    }

    @Test
    void whatAnotherLivingProcessDecodesIsNoSuspect() throws Exception {
        DecodeWatch living = new DecodeWatch(storage);
        living.during(digest, () -> {
            assertThat(new DecodeWatch(storage).isSuspect(digest)).isFalse();
            return null;
        });
    }

    @Test
    void anOrderlyFailureMakesNoSuspect() throws Exception {
        DecodeWatch watch = new DecodeWatch(storage);
        try {
            watch.during(digest, () -> {
                throw new IOException("damaged");
            });
        } catch (IOException damaged) {
            assertThat(watch.isSuspect(digest)).isFalse();
        }
        assertThat(new DecodeWatch(storage).isSuspect(digest)).isFalse();
    }

    /** Parts of one picture are decoded by several threads. */
    @Test
    void theMarkStaysUntilTheLastOfSeveralIsDone() throws Exception {
        DecodeWatch watch = new DecodeWatch(storage);
        watch.of(digest).during(() -> {
            watch.of(digest).during(() -> null);
            assertThat(marks()).isEqualTo(1);
            return null;
        });
        assertThat(marks()).isZero();
    }

    private long marks() throws IOException {
        try (Stream<Path> files = Files.walk(storage.decoding())) {
            return files.filter(file -> file.getFileName().toString().equals(digest))
                    .count();
        }
    }
}
