package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.formats.Pieces;
import embrick.formats.binding.SharedMemory;
import embrick.formats.picture.OpenedPicture;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;

/** A decoding process that misbehaves with files that are named after how, and answers as it should with all others. */
final class BadChild {
    enum Behaviour {
        DIES,
        /** Computes without an end. */
        SPINS,
        /** Says the picture is larger than its memory. */
        SAYS_LARGER,
        SAYS_DEEPER,
        SAYS_NOTHING_SENSIBLE,
        /** Ends in the middle of its answer. */
        ANSWERS_HALF,
        /** Answers an earlier question. */
        ANSWERS_ANOTHER,
        TAKES_ALL_MEMORY,
        /** Waits for ever, as for a disk. */
        HANGS,
        /** Stops in the middle of its answer and stays alive. */
        STALLS_HALF_WAY,
        /** Ended by SIGKILL, as by a system without memory. */
        IS_KILLED,
        /** Its Java machine finds no memory for a thread. */
        FINDS_NO_MEMORY,
        /** Cannot read the file, as the disk says. */
        CANNOT_READ;

        /** Whether the machine is to blame, and not the picture. */
        boolean isTheMachines() {
            return compareTo(HANGS) >= 0;
        }
    }

    private BadChild() {}

    public static void main(String[] arguments) throws Exception {
        DataInputStream in = new DataInputStream(System.in);
        DataOutputStream out = new DataOutputStream(new FileOutputStream(FileDescriptor.out));
        DecoderLoop.greet(out);
        while (true) {
            int number = in.readInt();
            in.readUnsignedByte();
            Path file = Path.of(in.readUTF());
            in.readInt();
            Path memory = Path.of(in.readUTF());
            long bytes = in.readLong();
            String stem = file.getFileName().toString().replaceAll("\\..*", "");
            Optional<Behaviour> bad = Arrays.stream(Behaviour.values())
                    .filter(behaviour -> behaviour.name().equals(stem))
                    .findFirst();
            if (bad.isPresent()) {
                misbehave(bad.get(), number, out);
            } else {
                answer(file, memory, bytes, number, out);
            }
        }
    }

    private static void answer(Path file, Path memory, long bytes, int number, DataOutputStream out)
            throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(file);
                Arena arena = Arena.ofConfined()) {
            MemorySegment.copy(opened.raster().samples(), 0, SharedMemory.map(memory, bytes, arena), 0, bytes);
            Raster raster = opened.raster();
            out.write(answer(number, raster.stored().width(), raster.stored().height(), raster.channels()));
        }
    }

    private static byte[] answer(int number, int width, int height, int channels) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeInt(number);
        out.writeByte(Answered.ANSWER.ordinal());
        out.writeInt(width);
        out.writeInt(height);
        out.writeByte(channels);
        out.writeByte(1);
        out.writeBoolean(false);
        return bytes.toByteArray();
    }

    private static void misbehave(Behaviour behaviour, int number, DataOutputStream out) throws Exception {
        byte[] right = answer(number, 173, 91, 3);
        switch (behaviour) {
            case DIES -> Runtime.getRuntime().halt(139);
            case HANGS -> Thread.sleep(600_000);
            case SPINS -> spin();
            case IS_KILLED -> {
                new ProcessBuilder(
                                "kill",
                                "-KILL",
                                String.valueOf(ProcessHandle.current().pid()))
                        .start()
                        .waitFor();
                Thread.sleep(600_000);
            }
            case FINDS_NO_MEMORY -> {
                System.err.println("There is insufficient memory for the Java Runtime Environment to continue.");
                Runtime.getRuntime().halt(1);
            }
            case CANNOT_READ -> out.write(notRead(number));
            case SAYS_LARGER -> out.write(answer(number, 50_000, 50_000, 3));
            case SAYS_DEEPER -> out.write(answer(number, 173, 91, 4));
            case SAYS_NOTHING_SENSIBLE -> out.write(answer(number, -3, 0, 200));
            case ANSWERS_HALF -> {
                out.write(right, 0, right.length / 2);
                Runtime.getRuntime().halt(0);
            }
            case ANSWERS_ANOTHER -> out.write(answer(number - 1, 173, 91, 3));
            case STALLS_HALF_WAY -> {
                out.write(right, 0, right.length / 2);
                Thread.sleep(600_000);
            }
            case TAKES_ALL_MEMORY -> takeAllMemory();
        }
    }

    private static void spin() {
        long until = System.nanoTime() + 600_000_000_000L;
        while (System.nanoTime() < until) {
            Thread.onSpinWait();
        }
    }

    private static byte[] notRead(int number) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeInt(number);
        out.writeByte(Answered.NOT_READ.ordinal());
        out.writeUTF("Input/output error");
        return bytes.toByteArray();
    }

    /** Bounded in this test too, should the bound fail: 6 GB are asked for and a page in each MB touched. */
    private static void takeAllMemory() {
        try (Arena arena = Arena.ofConfined()) {
            for (int i = 0; i < 96; i++) {
                MemorySegment taken = arena.allocate(64 << 20);
                for (long at = 0; at < taken.byteSize(); at += 1 << 20) {
                    taken.set(java.lang.foreign.ValueLayout.JAVA_BYTE, at, (byte) 1);
                }
            }
        } catch (OutOfMemoryError bounded) {
            Runtime.getRuntime().halt(1);
        }
        throw new IllegalStateException("took 6 GB, which nobody bounded");
    }
}
