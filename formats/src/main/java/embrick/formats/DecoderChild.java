package embrick.formats;

import embrick.core.pixels.Raster;
import embrick.formats.apart.Answered;
import embrick.formats.apart.Asked;
import embrick.formats.apart.RasterPipe;
import embrick.formats.heif.HeifFile;
import embrick.formats.icc.ProfileShelf;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.nio.file.Path;

/** A process that decodes: answers requests on its input until that ends. See {@link embrick.formats.apart.DecoderPool}. */
final class DecoderChild {
    private final Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);

    private DecoderChild() {}

    public static void main(String[] arguments) throws IOException {
        DecoderChild child = new DecoderChild();
        DataInputStream in = new DataInputStream(System.in);
        DataOutputStream out =
                new DataOutputStream(new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), 1 << 16));
        try {
            while (true) {
                Asked asked = Asked.values()[in.readUnsignedByte()];
                child.answer(asked, Path.of(in.readUTF()), in.readInt(), out);
                out.flush();
            }
        } catch (EOFException parentIsDone) {
            // Nothing more to do.
        }
    }

    private void answer(Asked asked, Path file, int leastEdge, DataOutputStream out) throws IOException {
        try {
            switch (asked) {
                case HEIF_FACTS -> {
                    HeifFile facts = HeifFile.read(file);
                    out.writeByte(Answered.ANSWER.ordinal());
                    facts.write(out);
                }
                case PIXELS -> {
                    try (OpenedPicture opened = formats.openReduced(file, leastEdge)) {
                        Raster raster = opened.raster();
                        out.writeByte(Answered.ANSWER.ordinal());
                        RasterPipe.write(raster, out);
                    }
                }
            }
        } catch (UnusablePictureException refused) {
            refuse(refused, out);
        } catch (OutOfMemoryError tooLarge) {
            refuse(
                    new UnusablePictureException(
                            UnusablePictureException.Kind.TOO_LARGE,
                            "too-large",
                            "needs more memory to be decoded than one picture is given",
                            "Save it smaller, or in another format."),
                    out);
        } catch (LinkageError unfit) {
            out.writeByte(Answered.UNFIT.ordinal());
            out.writeUTF(UnfitMachineException.behind(unfit).orElseThrow().getMessage());
        }
    }

    private static void refuse(UnusablePictureException refused, DataOutputStream out) throws IOException {
        out.writeByte(Answered.REFUSAL.ordinal());
        out.writeUTF(refused.kind().name());
        out.writeUTF(refused.code());
        out.writeUTF(refused.getMessage());
        out.writeUTF(refused.remedy());
    }
}
