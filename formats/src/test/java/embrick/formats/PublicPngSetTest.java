package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Outside;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The public set of PNGs in every colour type, depth, interlacing and transparency: W. van Schaik's PngSuite as libpng 1.6.39
 * carries it (contrib/pngsuite; its README with the permission lies beside the files). Read by netpbm's pngtopam, over libpng.
 */
class PublicPngSetTest {
    private static final Path SET = Path.of("src/test/resources/pngsuite");

    @TempDir
    Path folder;

    static Stream<Path> files() throws IOException {
        try (Stream<Path> all = Files.list(SET)) {
            return all.filter(file -> file.toString().endsWith(".png")).sorted().toList().stream();
        }
    }

    @Test
    void theSetIsThere() throws IOException {
        assertThat(files()).hasSizeGreaterThan(40);
    }

    @ParameterizedTest
    @MethodSource("files")
    void everySampleIsAsLibpngReadsIt(Path file) throws IOException {
        Path reference = folder.resolve("reference.pam");
        Outside.shell("pngtopam -alphapam \"$1\" >\"$2\" 2>/dev/null", file, reference);
        Pam pam = Pam.read(reference);
        Optional<int[]> transparent = transparentColour(file);
        // pngtopam leaves out the transparent colour of truecolour files: clause 11.3.2.1 itself says where it is.
        (transparent.isPresent() ? pam.withTransparent(transparent.get()) : pam).requireSame(Pieces.FORMATS, file);
    }

    /** The three samples of tRNS in a truecolour file. */
    private static Optional<int[]> transparentColour(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        int at = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("tRNS");
        if (at < 0 || bytes[25] != 2) {
            return Optional.empty();
        }
        ByteBuffer chunk = ByteBuffer.wrap(bytes, at + 4, 6);
        return Optional.of(new int[] {chunk.getShort() & 0xffff, chunk.getShort() & 0xffff, chunk.getShort() & 0xffff});
    }
}
