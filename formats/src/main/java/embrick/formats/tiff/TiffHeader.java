package embrick.formats.tiff;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.ifd.Ifd;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a TIFF says of its first whole picture (TIFF 6.0, sections 3 to 8, 16, 18 and 19).
 *
 * @param page its place among the file's directories: thumbnails and masks before it are passed over
 * @param pages whole pictures in the file
 * @param remarks on what is in the file and not used
 */
record TiffHeader(int page, int pages, PixelSize size, SampleLayout samples, Marks marks, List<ColourRemark> remarks) {

    /** What does not concern the pixels themselves. */
    record Marks(
            Orientation orientation,
            Optional<Resolution> across,
            Optional<Resolution> down,
            Optional<byte[]> icc,
            Optional<String> title) {}

    /** NewSubfileType (section 8): bit 0, a smaller copy of another page; bit 2, a mask. */
    private static final int SMALLER_OR_MASK = 0b101;

    private static final int MOST_PAGES = 10_000;
    private static final int MOST_SAMPLES = 64;

    /** The limit for all directories together, which may overlap: a hundred for each of the most pages. */
    private static final long MOST_ENTRIES = 1_000_000;

    /** InkSet (section 16): cyan, magenta, yellow, black. */
    private static final int CMYK_INKS = 1;

    static TiffHeader read(Ifd.Bytes bytes) throws IOException {
        Ifd first = Ifd.first(bytes);
        Ifd chosen = null;
        int page = 0;
        int whole = 0;
        Set<Long> seen = new HashSet<>();
        Optional<Ifd> each = Optional.of(first);
        long entries = 0;
        for (int number = 0; each.isPresent() && number < MOST_PAGES; number++) {
            if ((each.get().number(Ifd.NEW_SUBFILE_TYPE, 0) & SMALLER_OR_MASK) == 0) {
                whole++;
                if (chosen == null) {
                    chosen = each.get();
                    page = number;
                }
            }
            entries += each.get().tableEntries();
            if (entries > MOST_ENTRIES) {
                throw new DamagedDataException("its directories have more than " + MOST_ENTRIES + " entries");
            }
            // A chain that bites its own tail ends there.
            each = seen.add(each.get().next()) ? each.get().following() : Optional.empty();
        }
        return of(chosen == null ? first : chosen, page, Math.max(1, whole));
    }

    /** The directory of a page. */
    static Ifd page(Ifd.Bytes bytes, int page) throws IOException {
        Ifd ifd = Ifd.first(bytes);
        for (int number = 0; number < page; number++) {
            ifd = ifd.following().orElseThrow(() -> new DamagedDataException("page " + page + " is missing"));
        }
        return ifd;
    }

    private static TiffHeader of(Ifd ifd, int page, int pages) throws IOException {
        List<ColourRemark> remarks = new ArrayList<>();
        PixelSize size = size(ifd);
        SampleLayout layout = layout(ifd, remarks);
        countParts(ifd, size, layout, remarks);
        return new TiffHeader(
                page,
                pages,
                size,
                layout,
                new Marks(
                        Orientation.ofTag((int) ifd.number(Ifd.ORIENTATION, 1)),
                        ifd.resolution(Ifd.X_RESOLUTION),
                        ifd.resolution(Ifd.Y_RESOLUTION),
                        ifd.undefined(Ifd.ICC_PROFILE),
                        ifd.text(Ifd.IMAGE_DESCRIPTION)),
                remarks);
    }

    private static PixelSize size(Ifd ifd) throws IOException {
        long width = ifd.number(Ifd.IMAGE_WIDTH, 0);
        long height = ifd.number(Ifd.IMAGE_LENGTH, 0);
        if (width < 1 || height < 1) {
            throw UnusablePictureException.broken(
                    "no-pixels", "says it is " + width + " × " + height + " px: there is no picture in it");
        }
        if (width > Integer.MAX_VALUE / 8 || height > Integer.MAX_VALUE / 8) {
            throw UnusablePictureException.broken("absurd-size", "says it is " + width + " × " + height + " px");
        }
        return new PixelSize((int) width, (int) height);
    }

    private static SampleLayout layout(Ifd ifd, List<ColourRemark> remarks) throws IOException {
        Compression compression = Compression.of((int) ifd.number(Ifd.COMPRESSION, 1));
        Photometric photometric = Photometric.of((int) ifd.number(Ifd.PHOTOMETRIC, 1));
        int stored = (int) ifd.number(Ifd.SAMPLES_PER_PIXEL, 1);
        int colours =
                photometric == Photometric.PALETTE ? 1 : photometric.model().channels();
        if (stored < colours || stored > MOST_SAMPLES) {
            throw UnusablePictureException.notRead(
                    "tiff-channels",
                    "is a TIFF with " + stored + " channels where " + colours + " belong, which is not read",
                    "Save it again as grey, RGB or CMYK, flattened.");
        }
        requireCmyk(ifd, photometric);
        int bits = equal(ifd, Ifd.BITS_PER_SAMPLE, 1, "bits a channel");
        SampleKind kind = SampleKind.of(equal(ifd, Ifd.SAMPLE_FORMAT, 1, "number formats"), bits);
        if (kind == SampleKind.SIGNED) {
            remarks.add(new ColourRemark(
                    "tiff-signed", "its numbers are signed: the least is taken as 0, the greatest as full"));
        }
        if (photometric == Photometric.PALETTE && (bits > 16 || kind == SampleKind.SIGNED)) {
            throw UnusablePictureException.broken("damaged", "has a palette of signed or too many numbers");
        }
        Extra extra = extra(ifd, stored, colours, remarks);
        int[] palette = photometric == Photometric.PALETTE ? palette(ifd, bits) : new int[0];
        return new SampleLayout(
                photometric,
                compression,
                new SampleLayout.Depth(bits, kind),
                stored,
                extra,
                ifd.number(Ifd.PLANAR_CONFIGURATION, 1) == 2 ? SampleLayout.Planes.EACH : SampleLayout.Planes.TOGETHER,
                palette);
    }

    /** Strips or tiles that are there must be those that the size asks for: a damaged size shows itself so. */
    private static void countParts(Ifd ifd, PixelSize size, SampleLayout layout, List<ColourRemark> remarks)
            throws IOException {
        boolean tiled = ifd.has(Ifd.TILE_OFFSETS);
        long there = ifd.numbers(tiled ? Ifd.TILE_OFFSETS : Ifd.STRIP_OFFSETS).orElse(new long[0]).length;
        long width = tiled ? ifd.number(Ifd.TILE_WIDTH, 0) : size.width();
        long height = tiled ? ifd.number(Ifd.TILE_LENGTH, 0) : ifd.number(Ifd.ROWS_PER_STRIP, size.height());
        long planes = layout.planes() == SampleLayout.Planes.EACH ? layout.stored() : 1;
        long belong = width < 1 || height < 1
                ? 0
                : Math.ceilDiv((long) size.width(), width) * Math.ceilDiv((long) size.height(), height) * planes;
        if (there != belong) {
            remarks.add(new ColourRemark(
                    "tiff-parts",
                    "its directory lists " + there + " parts of the picture where its size asks for " + belong
                            + ": its size may be damaged"));
        }
    }

    private static void requireCmyk(Ifd ifd, Photometric photometric) throws IOException {
        if (photometric == Photometric.SEPARATED
                && (ifd.number(Ifd.INK_SET, CMYK_INKS) != CMYK_INKS || ifd.number(Ifd.NUMBER_OF_INKS, 4) < 4)) {
            throw UnusablePictureException.notRead(
                    "tiff-inks",
                    "is a TIFF of other inks than cyan, magenta, yellow and black, which is not read",
                    "Save it again as CMYK or RGB.");
        }
    }

    /** A value that a tag gives for each channel, and that must be one for all. */
    private static int equal(Ifd ifd, int tag, int otherwise, String what) throws IOException {
        long[] values = ifd.numbers(tag).orElse(new long[] {otherwise});
        for (long value : values) {
            if (value != values[0]) {
                throw UnusablePictureException.notRead(
                        "tiff-unlike-channels",
                        "is a TIFF whose channels have unlike " + what + ", which is not read",
                        "Save it again with 8 or 16 bits in every channel.");
            }
        }
        return values.length == 0 ? otherwise : (int) values[0];
    }

    /** What the channels beside the colours are (ExtraSamples, section 18): only 1 and 2 are transparency. */
    enum ExtraKind {
        NONE,
        PREMULTIPLIED,
        STRAIGHT
    }

    /** @param at the channel with the transparency */
    record Extra(ExtraKind kind, int at) {}

    private static Extra extra(Ifd ifd, int stored, int colours, List<ColourRemark> remarks) throws IOException {
        long[] said = ifd.numbers(Ifd.EXTRA_SAMPLES).orElse(new long[0]);
        Extra alpha = new Extra(ExtraKind.NONE, -1);
        int unused = 0;
        for (int at = colours; at < stored; at++) {
            long kind = at - colours < said.length ? said[at - colours] : 0;
            if (alpha.kind() == ExtraKind.NONE && (kind == 1 || kind == 2)) {
                alpha = new Extra(kind == 1 ? ExtraKind.PREMULTIPLIED : ExtraKind.STRAIGHT, at);
            } else {
                unused++;
            }
        }
        if (unused > 0) {
            remarks.add(new ColourRemark(
                    "tiff-extra-channels",
                    "it has " + (unused == 1 ? "a channel" : unused + " channels")
                            + " beside its colours that the file does not call transparency: not used"));
        }
        return alpha;
    }

    /** ColorMap (section 5): all reds, all greens, all blues, of 16 bits; some writers fill only the low 8. */
    private static int[] palette(Ifd ifd, int bits) throws IOException {
        long[] map = ifd.numbers(Ifd.COLOR_MAP).orElse(new long[0]);
        int entries = 1 << bits;
        if (map.length != 3 * entries) {
            throw UnusablePictureException.broken(
                    "damaged", "has a palette of " + map.length / 3 + " colours where " + entries + " belong");
        }
        boolean isNarrow = true;
        for (long value : map) {
            isNarrow &= value < 256;
        }
        int[] palette = new int[map.length];
        for (int i = 0; i < map.length; i++) {
            // Writers multiply by 256 or by 257: the high byte is right for both.
            palette[i] = (int) (isNarrow ? map[i] : map[i] >> 8);
        }
        return palette;
    }

    ColourModel model() {
        return samples.photometric().model();
    }
}
