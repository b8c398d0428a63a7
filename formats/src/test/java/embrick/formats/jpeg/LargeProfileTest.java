package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.icc.MatrixProfile;
import embrick.formats.icc.ProfileShelf;
import embrick.testing.Outside;
import java.io.DataInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Profiles over 65 519 bytes travel in parts (ICC.1, annex B): written by Pillow they must come out whole. */
class LargeProfileTest {
    @TempDir
    Path folder;

    @Test
    void partsAreJoinedInTheirOrder() throws IOException {
        byte[] profile = Arrays.copyOf(MatrixProfile.opRgb(), 150_001);
        ByteBuffer.wrap(profile).putInt(0, profile.length);
        for (int i = 2000; i < profile.length; i++) {
            profile[i] = (byte) (i * 31);
        }
        Path icc = Files.write(folder.resolve("large.icc"), profile);
        Path jpeg = folder.resolve("large.jpg");
        Outside.python("""
                import sys
                from PIL import Image
                Image.effect_noise((64, 48), 50).convert('RGB').save(sys.argv[2], icc_profile=open(sys.argv[1], 'rb').read())
                """, icc, jpeg);
        try (DataInputStream in = new DataInputStream(Files.newInputStream(jpeg))) {
            JpegHeader header = JpegHeader.read(in, Files.size(jpeg));
            assertThat(ProfileShelf.digestOf(header.icc().orElseThrow())).isEqualTo(ProfileShelf.digestOf(profile));
        }
    }
}
