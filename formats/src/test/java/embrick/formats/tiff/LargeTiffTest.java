package embrick.formats.tiff;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.Pieces;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A TIFF of 24 MP, 16 bit, opened by a process whose heap is half as large as its pixels. */
class LargeTiffTest {
    @TempDir
    Path folder;

    @Test
    void theHeapHoldsNoPixels() throws IOException, InterruptedException {
        Path file = folder.resolve("large.tif");
        // One packed strip that every strip's offset points to: libtiff reads it again and again.
        Outside.python("""
                import sys, struct, zlib
                w, h, rows = 6000, 4000, 16
                row = b''.join(struct.pack('<HHH', x * 10 % 65536, x * 7 % 65536, x * 3 % 65536) for x in range(w))
                strip = zlib.compress(row * rows)
                n = h // rows
                at = 8 + len(strip) + len(strip) % 2
                entries = [(256, 4, [w]), (257, 4, [h]), (258, 3, [16] * 3), (259, 3, [8]), (262, 3, [2]), (273, 4, [8] * n),
                           (277, 3, [3]), (278, 4, [rows]), (279, 4, [len(strip)] * n), (284, 3, [1])]
                table, rest, after = b'', b'', at + 2 + 12 * len(entries) + 4
                for tag, kind, values in entries:
                    data = b''.join(struct.pack('<H' if kind == 3 else '<I', v) for v in values)
                    if len(data) <= 4: table += struct.pack('<HHI', tag, kind, len(values)) + data.ljust(4, b'\\0')
                    else: table += struct.pack('<HHII', tag, kind, len(values), after + len(rest)); rest += data
                open(sys.argv[1], 'wb').write(struct.pack('<2sHI', b'II', 42, at) + strip.ljust(at - 8, b'\\0')
                    + struct.pack('<H', len(entries)) + table + struct.pack('<I', 0) + rest)
                """, file);
        Process process = new ProcessBuilder(List.of(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-Xmx64m",
                        "-XX:TieredStopAtLevel=1",
                        "--add-modules=jdk.incubator.vector",
                        "--enable-native-access=ALL-UNNAMED",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Opening.class.getName(),
                        file.toString()))
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(said).contains("6000 × 4000, 10 at 1, 9 at 3");
    }

    /** Opens a picture and says a few of its samples. */
    static final class Opening {
        private Opening() {}

        public static void main(String[] arguments) throws IOException {
            try (OpenedPicture opened = Pieces.FORMATS.open(Path.of(arguments[0]))) {
                long lastRow = (opened.raster().stored().height() - 1L)
                        * opened.raster().rowBytes();
                System.out.println(opened.raster().stored() + ", "
                        + opened.raster().samples().get(ValueLayout.JAVA_SHORT, lastRow + 6) + " at 1, "
                        + opened.raster().samples().get(ValueLayout.JAVA_SHORT, lastRow + 22) + " at 3");
            }
        }
    }
}
