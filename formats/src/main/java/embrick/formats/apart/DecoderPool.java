package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts;
import embrick.core.units.PixelSize;
import embrick.formats.binding.SharedMemory;
import embrick.formats.binding.UnfitMachineException;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import java.io.DataInputStream;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;

/**
 * Asks processes of their own to decode.
 *
 * <p>Damaged files can make a native decoder read where there is no memory, which ends its process at once (found with
 * libheif 1.15 by the test of a thousand damaged files). So libheif, libtiff and libwebp never run in this process, and any
 * picture that is suspected of having ended one can be decoded by a child too. Children are started when they are needed,
 * serve one file at a time and stay for the next. A child puts the pixels into memory that it shares with this process, whose
 * size was settled here, by the file's header; it answers only when they are all there. A child that dies, takes too long or
 * too much memory, answers half or something else than was asked is ended, its file is refused, and the next one gets a new
 * child. If the machine is to blame and not the file, a {@link NotExaminedException} says so. A child ends with its input, and so with this process.
 */
public final class DecoderPool {
    /** The one of this process. */
    public static final DecoderPool SHARED = new DecoderPool(
            Math.max(2, Runtime.getRuntime().availableProcessors()), ChildProcess.DECODER, Duration.ofSeconds(60));

    /** Reading a header; and what a decoder needs besides the picture, whatever its size. */
    private static final long MEMORY_TO_BEGIN_WITH = 1L << 30;

    /** Decoders hold planes, their own copies and the packed file. */
    private static final int MEMORY_TIMES_PICTURE = 5;

    /** Slow packings on a slow machine. */
    private static final long PIXELS_A_SECOND = 2_000_000;

    private final String childClass;
    private final List<String> options;
    private final Duration patience;
    private final Semaphore places;
    private final Deque<ChildProcess> idle = new ArrayDeque<>();

    DecoderPool(int most, String childClass, Duration patience) {
        this(most, childClass, List.of(), patience);
    }

    /**
     * @param childClass main class of the children
     * @param options more of their Java machines
     * @param patience of processor time, for the smallest picture
     */
    DecoderPool(int most, String childClass, List<String> options, Duration patience) {
        this.options = options;
        this.places = new Semaphore(most, true);
        this.childClass = childClass;
        this.patience = patience;
    }

    /** Reads what was asked for. */
    public interface Answer<T> {
        T read(DataInputStream in) throws IOException;
    }

    /** Whether this process is a child, which calls the libraries itself. */
    public static boolean isChild() {
        return Boolean.getBoolean(ChildProcess.HERE);
    }

    /** What a HEIF file says of itself, read by a child. */
    public <T> T heifFacts(Path file, Answer<T> answer) throws IOException {
        return ask(new ChildProcess.Request(Asked.HEIF_FACTS, file, 0, Optional.empty()), 0, answer);
    }

    /**
     * The pixels of a file, decoded by a child.
     *
     * @param facts of its header, by which memory and time are bounded and the answer is judged
     * @param leastEdge the longest side wanted at least, where the format can give less than all
     * @throws UnusablePictureException if the file cannot be used, or ended the child
     * @throws NotExaminedException if no child came up, or the machine ended it
     * @throws UnfitMachineException if the child cannot work on this machine
     */
    public Decoded pixels(Path file, SourceFacts facts, int leastEdge) throws IOException {
        try (SharedMemory memory = SharedMemory.ofBytes(facts.unpackedBytes())) {
            ChildProcess.Request request = new ChildProcess.Request(Asked.PIXELS, file, leastEdge, Optional.of(memory));
            return ask(request, facts.unpackedBytes(), in -> read(in, memory, facts));
        }
    }

    private <T> T ask(ChildProcess.Request request, long unpackedBytes, Answer<T> answer) throws IOException {
        Duration limit = patience.plusSeconds(unpackedBytes / 3 / PIXELS_A_SECOND);
        places.acquireUninterruptibly();
        try {
            ChildProcess child = idleOrNew();
            try {
                return child.ask(request, MEMORY_TO_BEGIN_WITH + MEMORY_TIMES_PICTURE * unpackedBytes, limit, answer);
            } finally {
                if (child.isFit()) {
                    synchronized (idle) {
                        idle.push(child);
                    }
                }
            }
        } finally {
            places.release();
        }
    }

    private ChildProcess idleOrNew() throws IOException {
        synchronized (idle) {
            for (ChildProcess child = idle.poll(); child != null; child = idle.poll()) {
                if (child.isFit()) {
                    return child;
                }
            }
        }
        return new ChildProcess(childClass, options);
    }

    /** The picture in shared memory, if it is what was asked for. */
    private static Decoded read(DataInputStream in, SharedMemory memory, SourceFacts facts) throws IOException {
        PixelSize size = new PixelSize(in.readInt(), in.readInt());
        int channels = in.readUnsignedByte();
        int bytesPerSample = in.readUnsignedByte();
        Optional<Damage> damage = PictureAnswer.readDamage(in);
        boolean fits = size.width() <= facts.stored().width()
                && size.height() <= facts.stored().height()
                && channels == facts.colour().channels()
                && bytesPerSample == facts.colour().bitsPerChannel() / 8;
        if (!fits) {
            throw new IOException("the child's answer is another picture: " + size + ", " + channels + " channels");
        }
        Arena arena = Arena.ofShared();
        try {
            return new Decoded(
                    Raster.over(
                            SharedMemory.map(memory.place(), size.bytes(channels, bytesPerSample), arena),
                            arena,
                            size,
                            channels,
                            bytesPerSample),
                    damage);
        } catch (IOException | RuntimeException | Error failed) {
            arena.close();
            throw failed;
        }
    }
}
