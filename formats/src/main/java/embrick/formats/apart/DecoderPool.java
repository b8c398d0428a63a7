package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.formats.UnfitMachineException;
import embrick.formats.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

/**
 * Asks processes of their own to decode.
 *
 * <p>Damaged files can make a native decoder read where there is no memory, which ends its process at once (found with
 * libheif 1.15 by the test of a thousand damaged files). So libheif and libwebp never run in this process, and any picture
 * that is suspected of having ended one can be decoded by a child too. Children are started when they are needed, serve one
 * file at a time and stay for the next. If one dies or takes too long the file is refused and the next one gets a new child.
 * A child ends with its input, and so with this process.
 */
public final class DecoderPool {
    public static final DecoderPool SHARED =
            new DecoderPool(Math.max(2, Runtime.getRuntime().availableProcessors()));

    /** What the child's main class is called; this package must not know it. */
    private static final String CHILD = "embrick.formats.DecoderChild";

    /** Set in a child: it decodes where it is. */
    private static final String HERE = "embrick.decodes.here";

    private static final long MOST_SECONDS = 90;

    /** Formats that are decoded by Java keep their pictures on the heap while they do; most use next to nothing of it. */
    private static final String HEAP = "-Xmx1g";

    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder-watch").factory());
    private final Semaphore places;
    private final Deque<Child> idle = new ArrayDeque<>();

    private DecoderPool(int most) {
        this.places = new Semaphore(most, true);
    }

    /** Reads what was asked for. */
    public interface Answer<T> {
        T read(DataInputStream in) throws IOException;
    }

    /** Whether this process is a child, which calls the libraries itself. */
    public static boolean isChild() {
        return Boolean.getBoolean(HERE);
    }

    /**
     * The pixels of a file, decoded by a child.
     *
     * @param leastEdge the longest side wanted at least, where the format can give less than all
     * @return a raster the caller closes
     */
    public Raster pixels(Path file, int leastEdge) throws IOException {
        return ask(Asked.PIXELS, file, leastEdge, RasterPipe::read);
    }

    /**
     * Has a child answer.
     *
     * @throws UnusablePictureException if the file cannot be used, or ended the child
     * @throws UnfitMachineException if the child cannot work on this machine
     */
    public <T> T ask(Asked asked, Path file, int leastEdge, Answer<T> answer) throws IOException {
        places.acquireUninterruptibly();
        try {
            Child child = idleOrNew();
            try {
                return child.ask(asked, file, leastEdge, answer, watch);
            } finally {
                if (!child.isSpent && child.process.isAlive()) {
                    synchronized (idle) {
                        idle.push(child);
                    }
                }
            }
        } finally {
            places.release();
        }
    }

    private Child idleOrNew() throws IOException {
        synchronized (idle) {
            for (Child child = idle.poll(); child != null; child = idle.poll()) {
                if (child.process.isAlive()) {
                    return child;
                }
            }
        }
        return new Child();
    }

    /** One process. It is given back only after an answer or a refusal, and ended otherwise. */
    private static final class Child {
        private final Process process;
        private final DataOutputStream to;
        private final DataInputStream from;
        private boolean isSpent;

        Child() throws IOException {
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
                            CHILD))
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            to = new DataOutputStream(process.getOutputStream());
            from = new DataInputStream(new BufferedInputStream(process.getInputStream(), 1 << 16));
        }

        <T> T ask(Asked asked, Path file, int leastEdge, Answer<T> answer, ScheduledExecutorService watch)
                throws IOException {
            ScheduledFuture<?> limit = watch.schedule(process::destroyForcibly, MOST_SECONDS, TimeUnit.SECONDS);
            try {
                to.writeByte(asked.ordinal());
                to.writeUTF(file.toAbsolutePath().toString());
                to.writeInt(leastEdge);
                to.flush();
                switch (Answered.values()[from.readUnsignedByte()]) {
                    case ANSWER -> {
                        return answer.read(from);
                    }
                    case REFUSAL ->
                        throw new UnusablePictureException(
                                UnusablePictureException.Kind.valueOf(from.readUTF()),
                                from.readUTF(),
                                from.readUTF(),
                                from.readUTF());
                    case UNFIT -> throw new UnfitMachineException(from.readUTF());
                }
            } catch (UnusablePictureException refused) {
                throw refused;
            } catch (IOException | RuntimeException ended) {
                // Whatever is left of the answer must not be taken for the next one's.
                isSpent = true;
                process.destroyForcibly();
                if (ended instanceof UnfitMachineException unfit) {
                    throw unfit;
                }
                throw UnusablePictureException.broken("damaged", "is damaged so badly that its decoder gave up");
            } finally {
                limit.cancel(false);
            }
            throw new AssertionError("every answer was treated");
        }
    }
}
