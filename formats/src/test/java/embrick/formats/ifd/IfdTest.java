package embrick.formats.ifd;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.units.Resolution;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Directories as TIFF 6.0, section 2, lays them out. */
class IfdTest {
    private static byte[] file(ByteOrder order, IfdBuilder ifd) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int mark = order == ByteOrder.LITTLE_ENDIAN ? 0x4949 : 0x4D4D;
        out.writeBytes(ByteBuffer.allocate(8)
                .order(order)
                .putShort((short) mark)
                .putShort((short) 42)
                .putInt(8)
                .array());
        out.writeBytes(ifd.build(8));
        return out.toByteArray();
    }

    private static ByteOrder order(String name) {
        return name.equals("II") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
    }

    @ParameterizedTest
    @ValueSource(strings = {"II", "MM"})
    void whatIsBuiltIsReadBack(String name) throws IOException {
        ByteOrder order = order(name);
        IfdBuilder built = new IfdBuilder(order)
                .undefined(Ifd.ICC_PROFILE, new byte[] {9, 8, 7, 6, 5})
                .shorts(Ifd.BITS_PER_SAMPLE, 8, 8, 8)
                .longs(Ifd.IMAGE_WIDTH, 70_000)
                .shorts(Ifd.ORIENTATION, 6)
                .resolution(Ifd.X_RESOLUTION, Resolution.perInch(2997, 10));
        byte[] bytes = file(order, built);
        assertThat(bytes).hasSize(8 + built.size());
        Ifd ifd = Ifd.first(Ifd.over(bytes));
        assertThat(ifd.number(Ifd.IMAGE_WIDTH, 0)).isEqualTo(70_000);
        assertThat(ifd.numbers(Ifd.BITS_PER_SAMPLE)).hasValue(new long[] {8, 8, 8});
        assertThat(ifd.number(Ifd.ORIENTATION, 1)).isEqualTo(6);
        assertThat(ifd.resolution(Ifd.X_RESOLUTION)).contains(Resolution.perInch(2997, 10));
        assertThat(ifd.undefined(Ifd.ICC_PROFILE)).hasValue(new byte[] {9, 8, 7, 6, 5});
        assertThat(ifd.number(Ifd.IMAGE_LENGTH, -1)).isEqualTo(-1);
    }

    @Test
    void centimetresAreUnderstood() throws IOException {
        IfdBuilder ifd = new IfdBuilder(ByteOrder.BIG_ENDIAN)
                .resolution(Ifd.X_RESOLUTION, Resolution.perInch(100))
                .shorts(Ifd.RESOLUTION_UNIT, 3);
        assertThat(Ifd.first(Ifd.over(file(ByteOrder.BIG_ENDIAN, ifd))).resolution(Ifd.X_RESOLUTION))
                .contains(Resolution.perInch(254));
    }

    @Test
    void aResolutionWithoutAUnitSaysNothing() throws IOException {
        IfdBuilder ifd = new IfdBuilder(ByteOrder.BIG_ENDIAN)
                .resolution(Ifd.X_RESOLUTION, Resolution.perInch(100))
                .shorts(Ifd.RESOLUTION_UNIT, 1);
        assertThat(Ifd.first(Ifd.over(file(ByteOrder.BIG_ENDIAN, ifd))).resolution(Ifd.X_RESOLUTION))
                .isEmpty();
    }

    @Test
    void anyCutEndsInAnIoException() {
        byte[] whole = file(
                ByteOrder.LITTLE_ENDIAN,
                new IfdBuilder(ByteOrder.LITTLE_ENDIAN)
                        .undefined(Ifd.ICC_PROFILE, new byte[300])
                        .longs(Ifd.IMAGE_WIDTH, 5));
        for (int length = 0; length < whole.length; length++) {
            byte[] cut = Arrays.copyOf(whole, length);
            assertThatThrownBy(() -> Ifd.first(Ifd.over(cut)).undefined(Ifd.ICC_PROFILE))
                    .isInstanceOfAny(IOException.class);
        }
    }

    @Test
    void anAbsurdCountIsRefusedBeforeMemoryIsTaken() {
        byte[] bytes = file(
                ByteOrder.BIG_ENDIAN, new IfdBuilder(ByteOrder.BIG_ENDIAN).undefined(Ifd.ICC_PROFILE, new byte[64]));
        ByteBuffer.wrap(bytes).putInt(14, Integer.MAX_VALUE);
        assertThatThrownBy(() -> Ifd.first(Ifd.over(bytes)).undefined(Ifd.ICC_PROFILE))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("34675");
    }
}
