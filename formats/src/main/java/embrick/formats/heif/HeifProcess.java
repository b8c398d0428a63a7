package embrick.formats.heif;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;

/**
 * Asks a process of its own to read HEIF.
 *
 * <p>Damaged files can make libheif 1.15 read where there is no memory, which ends its process at once (found by the test
 * with a thousand damaged files). So the library never runs in this one: a child is started at the first HEIF and serves
 * all after it, one at a time. If it dies or takes too long the file is refused and the next one gets a new child. It ends
 * with its input, and so with this process.
 */
final class HeifProcess {
    static final HeifProcess SHARED = new HeifProcess();

    private static final long MOST_SECONDS = 90;

    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("heif-watch").factory());
    private Process child;
    private DataOutputStream to;
    private DataInputStream from;

    private HeifProcess() {}

    /** Reads one answer. */
    private interface Answer<T> {
        T read(DataInputStream in) throws IOException;
    }

    HeifFile facts(Path file) throws IOException {
        return ask(HeifChild.FACTS, file, HeifProcess::readFacts);
    }

    Raster pixels(Path file, HeifFile facts) throws IOException {
        return ask(HeifChild.PIXELS, file, in -> readPixels(in, facts));
    }

    private synchronized <T> T ask(int request, Path file, Answer<T> answer) throws IOException {
        start();
        Process asked = child;
        ScheduledFuture<?> limit = watch.schedule(asked::destroyForcibly, MOST_SECONDS, TimeUnit.SECONDS);
        try {
            to.writeByte(request);
            to.writeUTF(file.toAbsolutePath().toString());
            to.flush();
            if (from.readByte() == HeifChild.REFUSAL) {
                throw new UnusablePictureException(
                        UnusablePictureException.Kind.valueOf(from.readUTF()),
                        from.readUTF(),
                        from.readUTF(),
                        from.readUTF());
            }
            return answer.read(from);
        } catch (UnusablePictureException refused) {
            throw refused;
        } catch (IOException ended) {
            asked.destroyForcibly();
            throw UnusablePictureException.broken("damaged", "is damaged so badly that its decoder gave up");
        } finally {
            limit.cancel(false);
        }
    }

    private void start() throws IOException {
        if (child != null && child.isAlive()) {
            return;
        }
        child = new ProcessBuilder(List.of(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-Xmx128m",
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-XX:-CreateCoredumpOnCrash",
                        "-XX:ErrorFile=/dev/null",
                        "--enable-native-access=ALL-UNNAMED",
                        "-cp",
                        System.getProperty("java.class.path"),
                        HeifChild.class.getName()))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        to = new DataOutputStream(child.getOutputStream());
        from = new DataInputStream(new BufferedInputStream(child.getInputStream(), 1 << 16));
    }

    private static HeifFile readFacts(DataInputStream in) throws IOException {
        PixelSize size = new PixelSize(in.readInt(), in.readInt());
        Alpha alpha = Alpha.valueOf(in.readUTF());
        int bits = in.readInt();
        byte[] icc = in.readNBytes(in.readInt());
        return new HeifFile(
                size,
                alpha,
                bits,
                icc.length == 0 ? Optional.empty() : Optional.of(icc),
                HeifFile.Primaries.valueOf(in.readUTF()),
                readResolution(in),
                readResolution(in));
    }

    private static Optional<Resolution> readResolution(DataInputStream in) throws IOException {
        long pixels = in.readLong();
        long perParts = in.readLong();
        return pixels == 0 ? Optional.empty() : Optional.of(new Resolution(pixels, perParts));
    }

    private static Raster readPixels(DataInputStream in, HeifFile facts) throws IOException {
        long bytes = in.readLong();
        Raster raster = Raster.allocate(facts.size(), facts.channels(), facts.bytesPerSample());
        try {
            if (bytes != raster.samples().byteSize()) {
                throw new EOFException("expected " + raster.samples().byteSize() + " bytes, got " + bytes);
            }
            byte[] row = new byte[Math.toIntExact(raster.rowBytes())];
            for (long at = 0; at < bytes; at += row.length) {
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
