package embrick.formats.tiff;

import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat.Packing;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.zip.Deflater;

/** A strip's samples as they go into the file: 8 or 16 bit little-endian, plain or predicted and deflated. */
final class StripBytes {
    private final int channels;
    private final int bits;
    private final Packing packing;
    private byte[] bytes = new byte[0];
    private short[] shorts = new short[0];

    StripBytes(PixelRows print, Packing packing) {
        this.channels = print.channels();
        this.bits = print.bitsPerChannel();
        this.packing = packing;
    }

    byte[] of(Strip strip) {
        int samples = strip.rows() * strip.rowLength();
        if (bits == 8) {
            bytes = bytes.length == samples ? bytes : new byte[samples];
            strip.toBytes(bytes);
            if (packing == Packing.DEFLATE) {
                predict(bytes, strip.rowLength());
            }
        } else {
            shorts = shorts.length == samples ? shorts : new short[samples];
            bytes = bytes.length == samples * 2 ? bytes : new byte[samples * 2];
            strip.toShorts(shorts);
            if (packing == Packing.DEFLATE) {
                predict(shorts, strip.rowLength());
            }
            ByteBuffer.wrap(bytes)
                    .order(ByteOrder.LITTLE_ENDIAN)
                    .asShortBuffer()
                    .put(shorts);
        }
        return packing == Packing.DEFLATE ? deflated(bytes) : bytes;
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

    private static byte[] deflated(byte[] bytes) {
        try (Deflater deflater = new Deflater(4)) {
            deflater.setInput(bytes);
            deflater.finish();
            byte[] packed = new byte[bytes.length + bytes.length / 1000 + 64];
            return Arrays.copyOf(packed, deflater.deflate(packed));
        }
    }
}
