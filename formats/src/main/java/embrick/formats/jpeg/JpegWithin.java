package embrick.formats.jpeg;

import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat;
import embrick.formats.crew.Crew;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.UnusablePictureException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Locale;
import java.util.Optional;

/**
 * Writes a JPEG that is no larger than a limit, at the highest quality that allows it, up to the one wanted.
 *
 * <p>The picture is coded whole for each quality that is tried; how large a file comes out cannot be told otherwise. Mostly
 * the first one fits. Where it does not, the next is chosen by how sizes grow with quality, so that three or four more lead to
 * the one that fits while the next higher does not.
 */
final class JpegWithin {
    /** Files shrink by about this power of how coarsely they are quantized; only where to look next depends on it. */
    private static final double POWER = 0.7;

    /** Files up to this size stay in memory while others are tried; larger ones are only counted, and coded once more. */
    private static final long MOST_KEPT = 8 << 20;

    /** Then the middle is taken, so that the search ends also where sizes grow unevenly. */
    private static final int MOST_GUESSES = 4;

    private final PixelRows print;
    private final PrintFile marks;
    private final FileFormat.Jpeg wanted;
    private final long limit;
    private final Crew crew;
    private final PrintFile.Progress progress;

    private JpegWithin(
            PixelRows print, PrintFile marks, FileFormat.Jpeg wanted, Crew crew, PrintFile.Progress progress) {
        this.print = print;
        this.marks = marks;
        this.wanted = wanted;
        this.limit = wanted.mostBytes().orElseThrow();
        this.crew = crew;
        this.progress = progress;
    }

    /** @throws UnusablePictureException if the picture is larger at the lowest quality too */
    static void write(
            PixelRows print,
            PrintFile marks,
            FileFormat.Jpeg wanted,
            OutputStream to,
            Crew crew,
            PrintFile.Progress progress)
            throws IOException {
        Coded best = new JpegWithin(print, marks, wanted, crew, progress).best();
        if (best.isKept()) {
            best.writeTo(to);
        } else {
            JpegWriter.write(print, marks, wanted.withQuality(best.quality()), to, crew, progress);
        }
    }

    private Coded best() throws IOException {
        Coded above = coded(wanted.quality());
        if (above.fits()) {
            return above;
        }
        Optional<Coded> below = Optional.empty();
        for (int tries = 0; ; tries++) {
            int lowest = below.map(Coded::quality).orElse(0);
            if (above.quality() - lowest <= 1) {
                Coded smallest = above;
                return below.orElseThrow(() -> tooLarge(smallest));
            }
            int next = tries < MOST_GUESSES ? guess(below, above) : (lowest + above.quality()) / 2;
            Coded tried = coded(Math.clamp(next, lowest + 1, above.quality() - 1));
            if (tried.fits()) {
                below = Optional.of(tried);
            } else {
                above = tried;
            }
        }
    }

    /** Where the limit lies between two sizes, or below one, on a curve of size over coarseness. */
    private int guess(Optional<Coded> below, Coded above) {
        double over = Math.log((double) above.bytes() / limit);
        double power = below.map(fitting -> Math.log((double) above.bytes() / fitting.bytes())
                        / Math.log(coarseness(fitting.quality()) / coarseness(above.quality())))
                .filter(measured -> measured > 0)
                .orElse(POWER);
        double coarseness = coarseness(above.quality()) * Math.exp(over / power);
        return (int) Math.floor(coarseness < 100 ? (200 - coarseness) / 2 : 5000 / coarseness);
    }

    /** How the IJG's scale of quality scales the tables of T.81, annex K: in per cent (libjpeg, jcparam.c); never 0. */
    private static double coarseness(int quality) {
        return Math.max(1, quality < 50 ? 5000.0 / quality : 200 - 2.0 * quality);
    }

    private Coded coded(int quality) throws IOException {
        Coded coded = new Coded(quality, limit);
        JpegWriter.write(print, marks, wanted.withQuality(quality), coded, crew, progress);
        return coded;
    }

    private UnusablePictureException tooLarge(Coded smallest) {
        return UnusablePictureException.notRead(
                "file-limit",
                String.format(
                        Locale.ROOT,
                        "cannot be made as small as %.0f kB: at the lowest quality it has %.0f kB",
                        limit / 1000.0,
                        smallest.bytes() / 1000.0),
                "Choose fewer pixels, or allow a larger file.");
    }

    /** A whole file: counted, and kept in memory while it is within the limit and small enough. */
    private static final class Coded extends OutputStream {
        private final int quality;
        private final long limit;
        private final ByteArrayOutputStream kept = new ByteArrayOutputStream();
        private long bytes;

        Coded(int quality, long limit) {
            this.quality = quality;
            this.limit = limit;
        }

        int quality() {
            return quality;
        }

        long bytes() {
            return bytes;
        }

        boolean fits() {
            return bytes <= limit;
        }

        @Override
        public void write(int value) {
            write(new byte[] {(byte) value}, 0, 1);
        }

        @Override
        public void write(byte[] from, int at, int length) {
            bytes += length;
            if (isKept()) {
                kept.write(from, at, length);
            } else {
                kept.reset();
            }
        }

        boolean isKept() {
            return bytes <= Math.min(limit, MOST_KEPT);
        }

        void writeTo(OutputStream to) throws IOException {
            kept.writeTo(to);
            to.flush();
        }
    }
}
