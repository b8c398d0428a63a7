package embrick.formats.heif;

import embrick.core.pixels.Raster;
import embrick.core.units.Resolution;
import embrick.formats.UnusablePictureException;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.Optional;

/** The process that calls libheif: answers requests on its input until that ends. See {@link HeifProcess}. */
final class HeifChild {
    static final int FACTS = 1;
    static final int PIXELS = 2;
    static final int ANSWER = 3;
    static final int REFUSAL = 4;

    private HeifChild() {}

    public static void main(String[] arguments) throws IOException {
        DataInputStream in = new DataInputStream(System.in);
        DataOutputStream out =
                new DataOutputStream(new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), 1 << 16));
        try {
            while (true) {
                int request = in.readByte();
                answer(request, Path.of(in.readUTF()), out);
                out.flush();
            }
        } catch (EOFException parentIsDone) {
            // Nothing more to do.
        }
    }

    private static void answer(int request, Path file, DataOutputStream out) throws IOException {
        try {
            HeifFile facts = HeifFile.readHere(file);
            if (request == FACTS) {
                out.writeByte(ANSWER);
                write(facts, out);
                return;
            }
            try (Raster raster = facts.decodeHere(file)) {
                out.writeByte(ANSWER);
                out.writeLong(raster.samples().byteSize());
                byte[] row = new byte[Math.toIntExact(raster.rowBytes())];
                for (long at = 0; at < raster.samples().byteSize(); at += row.length) {
                    MemorySegment.copy(raster.samples(), ValueLayout.JAVA_BYTE, at, row, 0, row.length);
                    out.write(row);
                }
            }
        } catch (UnusablePictureException refused) {
            out.writeByte(REFUSAL);
            out.writeUTF(refused.kind().name());
            out.writeUTF(refused.code());
            out.writeUTF(refused.getMessage());
            out.writeUTF(refused.remedy());
        }
    }

    private static void write(HeifFile facts, DataOutputStream out) throws IOException {
        out.writeInt(facts.size().width());
        out.writeInt(facts.size().height());
        out.writeUTF(facts.alpha().name());
        out.writeInt(facts.bits());
        byte[] icc = facts.icc().orElse(new byte[0]);
        out.writeInt(icc.length);
        out.write(icc);
        out.writeUTF(facts.primaries().name());
        write(facts.across(), out);
        write(facts.down(), out);
    }

    private static void write(Optional<Resolution> resolution, DataOutputStream out) throws IOException {
        out.writeLong(resolution.map(Resolution::pixels).orElse(0L));
        out.writeLong(resolution.map(Resolution::perParts).orElse(0L));
    }
}
