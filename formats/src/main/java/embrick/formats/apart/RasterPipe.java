package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Rasters through a pipe: size, channels, bytes a sample, then rows in the machine's own byte order. */
public final class RasterPipe {
    private RasterPipe() {}

    public static void write(Raster raster, DataOutputStream out) throws IOException {
        out.writeInt(raster.stored().width());
        out.writeInt(raster.stored().height());
        out.writeByte(raster.channels());
        out.writeByte(raster.bytesPerSample());
        byte[] row = new byte[Math.toIntExact(raster.rowBytes())];
        for (long at = 0; at < raster.samples().byteSize(); at += row.length) {
            MemorySegment.copy(raster.samples(), ValueLayout.JAVA_BYTE, at, row, 0, row.length);
            out.write(row);
        }
    }

    /** @return a raster the caller closes */
    public static Raster read(DataInputStream in) throws IOException {
        PixelSize size;
        int channels;
        int bytesPerSample;
        try {
            size = new PixelSize(in.readInt(), in.readInt());
            channels = in.readByte();
            bytesPerSample = in.readByte();
        } catch (IllegalArgumentException nonsense) {
            throw new EOFException("the child's answer is no picture: " + nonsense.getMessage());
        }
        Raster raster = Raster.allocate(size, channels, bytesPerSample);
        try {
            byte[] row = new byte[Math.toIntExact(raster.rowBytes())];
            for (long at = 0; at < raster.samples().byteSize(); at += row.length) {
                in.readFully(row);
                MemorySegment.copy(row, 0, raster.samples(), ValueLayout.JAVA_BYTE, at, row.length);
            }
            return raster;
        } catch (IOException | RuntimeException failed) {
            raster.close();
            throw failed;
        }
    }
}
