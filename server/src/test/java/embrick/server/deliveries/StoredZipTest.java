package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.zip.CRC32;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** ZIPs beside the JDK's reader and Python's, which both check every CRC. */
class StoredZipTest {
    private static final long FIVE_GB = 5_000_000_000L;

    @TempDir
    Path folder;

    private static StoredZip.Entry entry(String name, String content) {
        byte[] bytes = content.getBytes(StandardCharsets.UTF_8);
        CRC32 crc = new CRC32();
        crc.update(bytes);
        return new StoredZip.Entry(name, bytes.length, crc.getValue(), () -> new ByteArrayInputStream(bytes));
    }

    private Path written(StoredZip zip) throws IOException {
        Path file = folder.resolve("made.zip");
        try (OutputStream out = new FileOutputStream(file.toFile())) {
            zip.writeTo(out);
        }
        assertThat(Files.size(file)).isEqualTo(zip.length());
        return file;
    }

    private static void assertPythonReads(Path file) throws IOException, InterruptedException {
        Process python = new ProcessBuilder("python3", "-m", "zipfile", "-t", file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(python.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(python.waitFor(2, TimeUnit.MINUTES)).isTrue();
        assertThat(python.exitValue()).as(said).isZero();
        assertThat(said).doesNotContain("bad");
    }

    /** Every first and last byte of a small ZIP: the parts are those of the whole. */
    @Test
    void anyPartIsThatPartOfTheWhole() throws IOException {
        StoredZip zip =
                new StoredZip(List.of(entry("a.jpg", "first"), entry("b.jpg", ""), entry("c.jpg", "third one")));
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        zip.writeTo(all);
        byte[] whole = all.toByteArray();
        for (int from = 0; from < whole.length; from++) {
            for (int until = from + 1; until <= whole.length; until++) {
                ByteArrayOutputStream part = new ByteArrayOutputStream();
                zip.writeTo(part, from, until);
                assertThat(part.toByteArray()).isEqualTo(Arrays.copyOfRange(whole, from, until));
            }
        }
    }

    @Test
    void whatLiesBeforeAPartIsNotRead() throws IOException {
        StoredZip.Entry unread = new StoredZip.Entry("a.jpg", 10, 0, () -> {
            throw new IOException("must not be read");
        });
        StoredZip zip = new StoredZip(List.of(unread, entry("b.jpg", "second")));
        ByteArrayOutputStream part = new ByteArrayOutputStream();
        zip.writeTo(part, 60, zip.length());
        assertThat(part.size()).isEqualTo(zip.length() - 60);
    }

    @Test
    void holdsFilesAndTheirNamesAsTheyAre() throws Exception {
        Path file = written(new StoredZip(List.of(
                entry("prints/D\u00fcne.jpg", "sand"), entry("prints/\u98a8.jpg", ""), entry("list.csv", "a,b"))));
        try (ZipFile read = new ZipFile(file.toFile())) {
            assertThat(read.stream().map(Object::toString))
                    .containsExactly("prints/D\u00fcne.jpg", "prints/\u98a8.jpg", "list.csv");
            assertThat(read.getInputStream(read.getEntry("prints/D\u00fcne.jpg"))
                            .readAllBytes())
                    .isEqualTo("sand".getBytes(StandardCharsets.UTF_8));
        }
        assertPythonReads(file);
    }

    /** More entries than 16 bits count: APPNOTE 4.3.14. */
    @Test
    void holdsMoreFilesThanTheOldFormCounts() throws Exception {
        List<StoredZip.Entry> many = new ArrayList<>();
        for (int i = 0; i < 70_000; i++) {
            many.add(entry("f" + i, "x"));
        }
        Path file = written(new StoredZip(many));
        try (ZipFile read = new ZipFile(file.toFile())) {
            assertThat(read.size()).isEqualTo(70_000);
        }
        assertPythonReads(file);
    }

    /** Lengths and offsets beyond 32 bits: APPNOTE 4.5.3. The file is sparse: its zeros take no room on the disk. */
    @Test
    void holdsFilesLargerThanTheOldFormMeasures() throws Exception {
        StoredZip zip = new StoredZip(
                List.of(new StoredZip.Entry("large", FIVE_GB, 0, () -> zeros(FIVE_GB)), entry("behind", "found")));
        Path file = folder.resolve("large.zip");
        try (Sparse out = new Sparse(file)) {
            zip.writeTo(out);
        }
        assertThat(Files.size(file)).isEqualTo(zip.length());
        try (ZipFile read = new ZipFile(file.toFile())) {
            assertThat(read.getEntry("large").getSize()).isEqualTo(FIVE_GB);
            assertThat(read.getInputStream(read.getEntry("behind")).readAllBytes())
                    .isEqualTo("found".getBytes(StandardCharsets.UTF_8));
        }
    }

    @Test
    void aFileThatIsShorterThanSaidEndsIt() {
        StoredZip zip = new StoredZip(
                List.of(new StoredZip.Entry("short", 10, 0, () -> new ByteArrayInputStream(new byte[9]))));
        assertThatThrownBy(() -> zip.writeTo(OutputStream.nullOutputStream()))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("expected 10 bytes, got 9");
    }

    private static InputStream zeros(long count) {
        return new InputStream() {
            private long left = count;

            @Override
            public int read() {
                return left-- > 0 ? 0 : -1;
            }

            @Override
            public int read(byte[] into, int at, int most) {
                if (left == 0) {
                    return -1;
                }
                int some = (int) Math.min(left, most);
                left -= some;
                return some;
            }
        };
    }

    /** Skips zeros instead of writing them. */
    private static final class Sparse extends OutputStream {
        private final java.nio.channels.FileChannel channel;

        Sparse(Path file) throws IOException {
            channel = new FileOutputStream(file.toFile()).getChannel();
        }

        @Override
        public void write(int value) throws IOException {
            write(new byte[] {(byte) value}, 0, 1);
        }

        @Override
        public void write(byte[] bytes, int from, int count) throws IOException {
            boolean isZeros = count > 1000 && bytes[from] == 0 && bytes[from + count - 1] == 0;
            if (isZeros) {
                channel.position(channel.position() + count);
            } else {
                channel.write(java.nio.ByteBuffer.wrap(bytes, from, count));
            }
        }

        @Override
        public void close() throws IOException {
            channel.close();
        }
    }
}
