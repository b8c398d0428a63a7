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

/** Strips' samples as they go into the file: 8 or 16 bit little-endian, plain or predicted and packed. */
final class StripBytes implements RowParts.Making<List<byte[]>> {
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
    public List<byte[]> make(RowParts.Rows part) {
        List<byte[]> strips = new ArrayList<>();
        for (int y = part.first(); y < part.end(); y += TiffWriter.STRIP_ROWS) {
            strips.add(pack.apply(samples(print.rows(y, Math.min(TiffWriter.STRIP_ROWS, part.end() - y)))));
        }
        return strips;
    }

    private byte[] samples(Strip strip) {
        int count = strip.rows() * strip.rowLength();
        if (print.bitsPerChannel() == 8) {
            byte[] bytes = new byte[count];
            strip.toBytes(bytes);
            if (packing != Packing.PLAIN) {
                predict(bytes, strip.rowLength());
            }
            return bytes;
        }
        short[] shorts = new short[count];
        strip.toShorts(shorts);
        if (packing != Packing.PLAIN) {
            predict(shorts, strip.rowLength());
        }
        ByteBuffer bytes = ByteBuffer.allocate(count * Short.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asShortBuffer().put(shorts);
        return bytes.array();
    }

    /** TIFF 6.0, section 14: each sample less the one of the same channel to its left. */
    private void predict(byte[] samples, int rowLength) {
        for (int row = 0; row < samples.length; row += rowLength) {
            for (int i = rowLength - 1; i >= channels; i--) {
                samples[row + i] -= samples[row + i - channels];
            }
        }
    }

    private void predict(short[] samples, int rowLength) {
        for (int row = 0; row < samples.length; row += rowLength) {
            for (int i = rowLength - 1; i >= channels; i--) {
                samples[row + i] -= samples[row + i - channels];
            }
        }
    }

    @Override
    public void close() {
        packer.close();
    }
}
