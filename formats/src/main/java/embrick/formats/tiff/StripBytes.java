package embrick.formats.tiff;

import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat.Packing;
import embrick.formats.crew.RowParts;
import embrick.formats.deflate.Packer;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.zip.CRC32C;

/** Strips' samples as they go into the file: 8 or 16 bit little-endian, plain or predicted and packed. */
final class StripBytes implements RowParts.Making<List<StripBytes.Packed>> {
    /**
     * A strip.
     *
     * @param sampleSum CRC-32C of its samples, little-endian, before they were predicted and packed
     */
    @SuppressWarnings("ArrayRecordComponent") // handed on once, compared with nothing
    record Packed(byte[] bytes, int sampleSum) {}

    private final PixelRows print;
    private final int channels;
    private final Packing packing;
    private final Packer packer = new Packer();
    private final UnaryOperator<byte[]> pack;

    /** @param print one thread's own */
    StripBytes(PixelRows print, Packing packing) {
        this.print = print;
        this.channels = print.channels();
        this.packing = packing;
        this.pack = switch (packing) {
            case PLAIN -> bytes -> bytes;
            case LZW -> new Lzw()::pack;
            case DEFLATE -> bytes -> packer.whole(bytes, bytes.length);
        };
    }

    @Override
    public List<Packed> make(RowParts.Rows part) {
        List<Packed> strips = new ArrayList<>();
        for (int y = part.first(); y < part.end(); y += TiffWriter.STRIP_ROWS) {
            strips.add(packed(print.rows(y, Math.min(TiffWriter.STRIP_ROWS, part.end() - y))));
        }
        return strips;
    }

    private Packed packed(Strip strip) {
        int count = strip.rows() * strip.rowLength();
        byte[] bytes = new byte[count * (print.bitsPerChannel() / 8)];
        if (print.bitsPerChannel() == 8) {
            strip.toBytes(bytes);
        } else {
            short[] shorts = new short[count];
            strip.toShorts(shorts);
            ByteBuffer.wrap(bytes)
                    .order(ByteOrder.LITTLE_ENDIAN)
                    .asShortBuffer()
                    .put(shorts);
        }
        int sum = sum(bytes);
        if (packing != Packing.PLAIN) {
            Predictor.predict(bytes, strip.rowLength(), channels, print.bitsPerChannel());
        }
        return new Packed(pack.apply(bytes), sum);
    }

    static int sum(byte[] samples) {
        CRC32C sum = new CRC32C();
        sum.update(samples);
        return (int) sum.getValue();
    }

    @Override
    public void close() {
        packer.close();
    }
}
