package embrick.formats.deflate;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.Random;
import java.util.zip.Adler32;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against the JDK's own zlib, which is another library than packs here. */
class PackerTest {
    private final Random random = new Random(3);

    /** Bytes as filtered pixels are: mostly small differences, of either sign; some stretches of noise and of zeros. */
    private byte[] bytes(int length) {
        byte[] bytes = new byte[length];
        for (int i = 0; i < length; i++) {
            int kind = i / 5000 % 4;
            bytes[i] = (byte) (kind == 0 ? 0 : kind == 1 ? random.nextInt() : Math.round(random.nextGaussian() * 3));
        }
        return bytes;
    }

    private static byte[] unpacked(byte[] stream, int length) throws Exception {
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(stream);
            byte[] out = new byte[length + 1];
            int count = inflater.inflate(out);
            assertThat(inflater.finished()).isTrue();
            assertThat(inflater.getRemaining()).isZero();
            return java.util.Arrays.copyOf(out, count);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 100, 4096, 65_536, 1_000_003})
    void aWholeStreamUnpacks(int length) throws Exception {
        byte[] bytes = bytes(length);
        try (Packer packer = new Packer()) {
            assertThat(unpacked(packer.whole(bytes, length), length)).isEqualTo(bytes);
        }
    }

    /** Of many lengths, so that last blocks begin and end at every bit of a byte, and are one of many or the only one. */
    @Test
    void joinedPartsAreOneStream() throws Exception {
        ByteArrayOutputStream stream = new ByteArrayOutputStream();
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        Adler adler = new Adler();
        stream.write(Packer.header());
        try (Packer packer = new Packer()) {
            for (int part = 0; part < 300; part++) {
                int length = part % 50 == 0 ? 700_000 : part % 7 == 0 ? 0 : random.nextInt(1, 9000);
                byte[] bytes = bytes(length);
                all.write(bytes);
                Packer.Place place = part == 299 ? Packer.Place.LAST : Packer.Place.INSIDE;
                Packer.Part packed =
                        part % 11 == 3 ? Packer.stored(bytes, length, place) : packer.part(bytes, length, place);
                stream.write(packed.packed());
                adler.add(packed);
            }
        }
        Adler32 whole = new Adler32();
        whole.update(all.toByteArray());
        assertThat(adler.value()).isEqualTo((int) whole.getValue());
        byte[] sum = java.nio.ByteBuffer.allocate(4).putInt(adler.value()).array();
        stream.write(sum);
        assertThat(unpacked(stream.toByteArray(), all.size())).isEqualTo(all.toByteArray());
    }

    @Test
    void packsAsSmallAsZlibAtTheSameLevel() throws Exception {
        byte[] bytes = bytes(2_000_000);
        byte[] byZlib = new byte[2_100_000];
        int length;
        try (Deflater deflater = new Deflater(4)) {
            deflater.setInput(bytes);
            deflater.finish();
            length = deflater.deflate(byZlib);
        }
        try (Packer packer = new Packer()) {
            assertThat(packer.whole(bytes, bytes.length).length).isLessThan((int) (length * 1.02));
        }
    }
}
