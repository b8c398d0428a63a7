package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.formats.binding.SharedMemory;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.nio.file.Path;
import java.util.Optional;

/** What a decoding process does: reads a request, carries it out, answers once it is all done. */
public final class DecoderLoop {
    /** Carries requests out. */
    public interface Decoder {
        void writeHeifHeader(Path file, DataOutputStream out) throws IOException;

        Decoded decode(Path file, int leastEdge, RasterMemory memory) throws IOException;

        /** Why this process cannot work, if that is what failed. */
        Optional<String> unfit(Throwable failed);
    }

    private DecoderLoop() {}

    /** Answers until the input ends. Anything unforeseen ends the process, so that half an answer is never read on. */
    public static void run(Decoder decoder) throws IOException {
        DataInputStream in = new DataInputStream(System.in);
        DataOutputStream out = new DataOutputStream(new FileOutputStream(FileDescriptor.out));
        greet(out);
        while (true) {
            int number;
            try {
                number = in.readInt();
            } catch (EOFException parentIsDone) {
                return;
            }
            ByteArrayOutputStream answer = new ByteArrayOutputStream();
            DataOutputStream writing = new DataOutputStream(answer);
            writing.writeInt(number);
            answer(decoder, in, writing);
            out.write(answer.toByteArray());
            out.flush();
        }
    }

    /** Says that this process has come up: what fails before is no picture's fault. */
    static void greet(DataOutputStream out) throws IOException {
        out.writeInt(ChildProcess.GREETING);
        out.flush();
    }

    private static void answer(Decoder decoder, DataInputStream in, DataOutputStream out) throws IOException {
        Asked asked = Asked.values()[in.readUnsignedByte()];
        Path file = Path.of(in.readUTF());
        int leastEdge = in.readInt();
        String memory = in.readUTF();
        long bytes = in.readLong();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        Answered how;
        try {
            switch (asked) {
                case HEIF_FACTS -> decoder.writeHeifHeader(file, new DataOutputStream(body));
                case PIXELS -> {
                    Decoded decoded = decoder.decode(file, leastEdge, shared(Path.of(memory), bytes));
                    try (Raster _ = decoded.raster()) {
                        PictureAnswer.write(decoded, new DataOutputStream(body));
                    }
                }
            }
            how = Answered.ANSWER;
        } catch (UnusablePictureException refused) {
            how = refused(body, refused);
        } catch (OutOfMemoryError tooLarge) {
            how = refused(
                    body,
                    new UnusablePictureException(
                            UnusablePictureException.Kind.TOO_LARGE,
                            "too-large",
                            "needs more memory to be decoded than one picture is given",
                            "Save it smaller, or in another format."));
        } catch (LinkageError unfit) {
            how = Answered.UNFIT;
            body.reset();
            new DataOutputStream(body).writeUTF(decoder.unfit(unfit).orElse(String.valueOf(unfit.getMessage())));
        } catch (IOException notRead) {
            how = Answered.NOT_READ;
            body.reset();
            new DataOutputStream(body).writeUTF(String.valueOf(notRead.getMessage()));
        }
        out.writeByte(how.ordinal());
        out.write(body.toByteArray());
    }

    private static Answered refused(ByteArrayOutputStream body, UnusablePictureException refusal) throws IOException {
        body.reset();
        PictureAnswer.write(refusal, new DataOutputStream(body));
        return Answered.REFUSAL;
    }

    /** The memory that the parent gave; a picture that needs more is another than its header promised. */
    private static RasterMemory shared(Path memory, long bytes) {
        return (size, channels, bytesPerSample) -> {
            long needed = size.bytes(channels, bytesPerSample);
            if (needed > bytes) {
                throw UnusablePictureException.broken("damaged", "holds more than its header promises");
            }
            Arena arena = Arena.ofShared();
            try {
                return Raster.over(SharedMemory.map(memory, needed, arena), arena, size, channels, bytesPerSample);
            } catch (IOException | RuntimeException failed) {
                arena.close();
                throw failed;
            }
        };
    }
}
