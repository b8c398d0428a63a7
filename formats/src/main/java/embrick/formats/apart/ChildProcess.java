package embrick.formats.apart;

import embrick.formats.binding.SharedMemory;
import embrick.formats.binding.UnfitMachineException;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;

/** One decoding process, seen from the one that asks it. It is fit only as long as every answer came whole. */
final class ChildProcess {
    /** The child's main class. */
    static final String DECODER = "embrick.formats.DecoderChild";

    /** Set in a child: it decodes where it is. */
    static final String HERE = "embrick.decodes.here";

    /** Pictures lie outside the heap; rows and headers on it. */
    private static final String HEAP = "-Xmx192m";

    private static final ScheduledExecutorService WATCH = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder-watch").factory());

    private final Process process;
    private final DataOutputStream to;
    private final DataInputStream from;
    private int asked;
    private boolean isSpent;

    ChildProcess(String mainClass) throws IOException {
        process = new ProcessBuilder(List.of(
                        ProcessHandle.current().info().command().orElse("java"),
                        HEAP,
                        "-D" + HERE + "=true",
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-XX:-CreateCoredumpOnCrash",
                        "-XX:ErrorFile=/dev/null",
                        "-Djava.awt.headless=true",
                        "--add-modules=jdk.incubator.vector",
                        "--enable-native-access=ALL-UNNAMED",
                        "-cp",
                        System.getProperty("java.class.path"),
                        mainClass))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        to = new DataOutputStream(process.getOutputStream());
        from = new DataInputStream(new BufferedInputStream(process.getInputStream(), 1 << 16));
    }

    /** @param memory where pixels are wanted */
    record Request(Asked what, Path file, int leastEdge, Optional<SharedMemory> memory) {
        private void write(int number, DataOutputStream to) throws IOException {
            to.writeInt(number);
            to.writeByte(what.ordinal());
            to.writeUTF(file.toAbsolutePath().toString());
            to.writeInt(leastEdge);
            to.writeUTF(memory.map(shared -> shared.place().toString()).orElse(""));
            to.writeLong(memory.map(SharedMemory::bytes).orElse(0L));
            to.flush();
        }
    }

    long pid() {
        return process.pid();
    }

    boolean isFit() {
        return !isSpent && process.isAlive();
    }

    <T> T ask(Request request, Duration limit, DecoderPool.Answer<T> answer) throws IOException {
        ScheduledFuture<?> end = WATCH.schedule(process::destroyForcibly, limit.toMillis(), TimeUnit.MILLISECONDS);
        // Spent until the answer came whole: whatever is left of it must not be taken for the next one's.
        isSpent = true;
        try {
            request.write(++asked, to);
            if (from.readInt() != asked) {
                throw new IOException("the child answers something else");
            }
            T answered = switch (Answered.values()[from.readUnsignedByte()]) {
                case ANSWER -> answer.read(from);
                case REFUSAL -> {
                    UnusablePictureException refusal = PictureAnswer.readRefusal(from);
                    isSpent = false;
                    throw refusal;
                }
                case UNFIT -> throw new UnfitMachineException(from.readUTF());
            };
            isSpent = false;
            return answered;
        } catch (UnusablePictureException | UnfitMachineException known) {
            throw known;
        } catch (IOException | RuntimeException broken) {
            boolean tooLong = end.isDone();
            throw UnusablePictureException.broken(
                    "damaged",
                    tooLong
                            ? "keeps its decoder busy without an end (" + limit.toSeconds()
                                    + " s): it is likely damaged"
                            : "is damaged so badly that its decoder gave up");
        } finally {
            end.cancel(false);
            if (isSpent) {
                process.destroyForcibly();
            }
        }
    }
}
