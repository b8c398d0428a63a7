package embrick.formats.apart;

import embrick.formats.binding.ProcessMemory;
import embrick.formats.binding.SharedMemory;
import embrick.formats.binding.UnfitMachineException;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One decoding process, seen from the one that asks it. It is fit only as long as every answer came whole.
 *
 * <p>The machine is to blame if the process does not start, is killed from outside, gets no memory or gets no processor time:
 * {@link NotExaminedException}. The picture is to blame if the process crashes or computes without end:
 * {@link UnusablePictureException}.
 */
final class ChildProcess {
    /** The child's main class. */
    static final String DECODER = "embrick.formats.DecoderChild";

    /** Set in a child: it decodes where it is. */
    static final String HERE = "embrick.decodes.here";

    /** The first thing a child writes. It tells a process that crashed from one that never started. */
    static final int GREETING = 0x656d6272;

    /** Half a second on a quiet machine. */
    private static final Duration COMING_UP = Duration.ofSeconds(20);

    /** Pictures lie outside the heap; rows and headers on it. */
    private static final String HEAP = "-Xmx192m";

    private final Process process;
    private final DataOutputStream to;
    private final DataInputStream from;
    private final ErrorTail errors;
    private boolean isUp;
    private int asked;
    private boolean isSpent;

    /**
     * Starts one without waiting for it.
     *
     * @throws NotExaminedException if the system starts none
     */
    ChildProcess(String mainClass, List<String> options) throws NotExaminedException {
        try {
            process = new ProcessBuilder(command(mainClass, options)).start();
        } catch (IOException failed) {
            throw new NotExaminedException(
                    "its decoder's process could not be started: " + failed.getMessage(), failed);
        }
        to = new DataOutputStream(process.getOutputStream());
        from = new DataInputStream(new BufferedInputStream(process.getInputStream(), 1 << 16));
        errors = ErrorTail.of(process);
    }

    private static List<String> command(String mainClass, List<String> options) {
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElse("java"),
                HEAP,
                "-D" + HERE + "=true",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-XX:-CreateCoredumpOnCrash",
                "-XX:ErrorFile=/dev/null",
                "-Djava.awt.headless=true",
                "--add-modules=jdk.incubator.vector",
                "--enable-native-access=ALL-UNNAMED"));
        command.addAll(options);
        command.addAll(List.of("-cp", System.getProperty("java.class.path"), mainClass));
        return command;
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

    /**
     * @param memoryBytes that it may take for this
     * @param limit of processor time, after which it is ended
     * @throws UnusablePictureException if the file is to blame
     * @throws NotExaminedException if the machine is
     */
    <T> T ask(Request request, long memoryBytes, Duration limit, DecoderPool.Answer<T> answer) throws IOException {
        // Spent until the answer came whole: whatever is left of it must not be taken for the next one's.
        isSpent = true;
        try {
            if (!isUp) {
                awaitGreeting();
            }
            ProcessMemory.bound(pid(), memoryBytes);
            T answered = answered(request, limit, answer);
            isSpent = false;
            return answered;
        } finally {
            if (isSpent) {
                process.destroyForcibly();
            }
        }
    }

    private void awaitGreeting() throws NotExaminedException {
        try (Deadline deadline = Deadline.of(process, COMING_UP)) {
            if (from.readInt() != GREETING) {
                throw new NotExaminedException("its decoder's process did not come up: " + errors.said());
            }
            isUp = true;
        } catch (NotExaminedException known) {
            throw known;
        } catch (IOException ended) {
            throw new NotExaminedException("its decoder's process did not come up: " + errors.said(), ended);
        }
    }

    private <T> T answered(Request request, Duration limit, DecoderPool.Answer<T> answer) throws IOException {
        Deadline deadline = Deadline.of(process, limit);
        try (deadline) {
            request.write(++asked, to);
            if (from.readInt() != asked) {
                throw new IOException("the child answers something else");
            }
            return switch (Answered.values()[from.readUnsignedByte()]) {
                case ANSWER -> answer.read(from);
                case REFUSAL -> {
                    UnusablePictureException refusal = PictureAnswer.readRefusal(from);
                    isSpent = false;
                    throw refusal;
                }
                case UNFIT -> throw new UnfitMachineException(from.readUTF());
                case NOT_READ -> {
                    String why = from.readUTF();
                    isSpent = false;
                    throw new NotExaminedException("it could not be read (" + why + ")");
                }
            };
        } catch (UnusablePictureException | UnfitMachineException | NotExaminedException known) {
            throw known;
        } catch (IOException | RuntimeException broken) {
            throw switch (deadline.reason()) {
                case NOT_ENDED -> fellOver(broken);
                case COMPUTED_TOO_LONG ->
                    UnusablePictureException.broken(
                            "damaged",
                            "keeps its decoder busy without an end (" + limit.toSeconds()
                                    + " s): it is likely damaged");
                case WAITED_TOO_LONG ->
                    new NotExaminedException(
                            "its decoder got nothing out of this machine or its disk for a long time", broken);
            };
        }
    }

    private IOException fellOver(Exception broken) {
        return switch (ChildEnd.of(process, errors)) {
            case KILLED ->
                new NotExaminedException(
                        "its decoder's process was ended from outside, as systems do that run out of memory", broken);
            case NO_MEMORY ->
                new NotExaminedException("this machine had no memory left for its decoder's process", broken);
            case BY_ITSELF ->
                UnusablePictureException.broken("damaged", "is damaged so badly that its decoder gave up");
        };
    }
}
