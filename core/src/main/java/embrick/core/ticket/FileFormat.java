package embrick.core.ticket;

import java.util.Objects;
import java.util.Optional;

/** The file a piece becomes. */
public sealed interface FileFormat {
    /** File suffix without its dot. */
    String suffix();

    /** Suffix of the piece that is made of an original, without its dot. */
    default String suffixFor(String originalPath) {
        return suffix();
    }

    /** Bits a channel of a piece made from an original of so many. */
    default int bits(int original) {
        return 8;
    }

    /**
     * JPEG.
     *
     * @param quality 1 to 100; the most, where the file's size has a limit
     * @param mostBytes that the file may have, {@value #LEAST_LIMIT} to {@value #MOST_LIMIT}
     * @param compressed whether a JPEG of which no pixel changes keeps its compressed data
     */
    record Jpeg(int quality, Chroma chroma, Optional<Long> mostBytes, Compressed compressed) implements FileFormat {
        private static final long LEAST_LIMIT = 5_000;
        private static final long MOST_LIMIT = 100_000_000;

        public Jpeg(int quality, Chroma chroma, Optional<Long> mostBytes) {
            this(quality, chroma, mostBytes, Compressed.IF_CHANGED);
        }

        /** As large as it comes out. */
        public Jpeg(int quality, Chroma chroma) {
            this(quality, chroma, Optional.empty());
        }

        /** Colour at full resolution. */
        public Jpeg(int quality) {
            this(quality, Chroma.FULL);
        }

        public Jpeg withQuality(int other) {
            return new Jpeg(other, chroma, mostBytes, compressed);
        }

        public Jpeg {
            Objects.requireNonNull(chroma);
            // Plans that were stored before did not say it.
            mostBytes = mostBytes == null ? Optional.empty() : mostBytes;
            compressed = compressed == null ? Compressed.IF_CHANGED : compressed;
            mostBytes.ifPresent(limit -> {
                if (limit < LEAST_LIMIT || limit > MOST_LIMIT) {
                    throw new IllegalArgumentException(
                            "largest file: expected 5 kB to 100 MB, got " + limit + " bytes");
                }
            });
            if (quality < 1 || quality > 100) {
                throw new IllegalArgumentException("quality: expected 1 to 100, got " + quality);
            }
        }

        @Override
        public String suffix() {
            return "jpg";
        }
    }

    /** When a JPEG made from a JPEG is compressed again. */
    enum Compressed {
        /** Only if some pixel changes: otherwise quality and colour detail stay as they came. */
        IF_CHANGED,
        /** In any case, at the quality that is asked for. */
        ALWAYS
    }

    /** How finely a JPEG keeps colour beside brightness (T.81, A.1.1; the trade's 4:4:4, 4:2:2 and 4:2:0). */
    enum Chroma {
        FULL(1, 1),
        HALF_WIDTH(2, 1),
        HALF(2, 2);

        private final int across;
        private final int down;

        Chroma(int across, int down) {
            this.across = across;
            this.down = down;
        }

        /** Pixels across that share one colour. */
        public int across() {
            return across;
        }

        /** Pixels down that share one colour. */
        public int down() {
            return down;
        }
    }

    /** TIFF 6.0, or BigTIFF where a file passes 4 GB. */
    record Tiff(Packing packing, Depth depth) implements FileFormat {
        public Tiff {
            Objects.requireNonNull(packing);
            Objects.requireNonNull(depth);
        }

        /** At the original's depth. */
        public Tiff(Packing packing) {
            this(packing, Depth.AS_ORIGINAL);
        }

        @Override
        public int bits(int original) {
            return depth.bits(original);
        }

        @Override
        public String suffix() {
            return "tif";
        }
    }

    record Png(Depth depth) implements FileFormat {
        public Png {
            Objects.requireNonNull(depth);
        }

        /** At the original's depth. */
        public Png() {
            this(Depth.AS_ORIGINAL);
        }

        @Override
        public int bits(int original) {
            return depth.bits(original);
        }

        @Override
        public String suffix() {
            return "png";
        }
    }

    /** A page as large as the piece with its marks: PDF 1.6, its boxes as ISO 15930 asks. */
    record Pdf(PagePixels pixels, PageMarks marks) implements FileFormat {
        public Pdf {
            Objects.requireNonNull(pixels);
            Objects.requireNonNull(marks);
        }

        @Override
        public int bits(int original) {
            return switch (pixels) {
                case PagePixels.Coded _ -> 8;
                case PagePixels.Whole whole -> whole.depth().bits(original);
            };
        }

        @Override
        public String suffix() {
            return "pdf";
        }
    }

    /** How a page holds its picture. */
    sealed interface PagePixels {
        /** As a JPEG of this quality, the very file that a JPEG piece would be. */
        record Coded(Jpeg jpeg) implements PagePixels {
            public Coded {
                Objects.requireNonNull(jpeg);
            }
        }

        /** Packed, nothing lost. */
        record Whole(Depth depth) implements PagePixels {
            public Whole {
                Objects.requireNonNull(depth);
            }
        }
    }

    /** Whether a page has room outside its trim for marks where it is cut and folded. */
    enum PageMarks {
        NONE,
        CROP_AND_FOLD
    }

    /**
     * WebP (RFC 9649), for screens: RGB of 8 bits.
     *
     * @param quality 1 to 100; empty where nothing is to be lost
     */
    record Webp(Optional<Integer> quality) implements FileFormat {
        /** Its frame's sides have 14 bits (RFC 9649, 2.5 and 3.4). */
        public static final int MOST_SIDE = 16_383;

        public Webp {
            quality.ifPresent(said -> {
                if (said < 1 || said > 100) {
                    throw new IllegalArgumentException("quality: expected 1 to 100, got " + said);
                }
            });
        }

        @Override
        public String suffix() {
            return "webp";
        }
    }

    /** The original's own file, byte for byte: only its name is new. */
    record AsItIs() implements FileFormat {
        @Override
        public int bits(int original) {
            return original > 8 ? 16 : 8;
        }

        /** Used where an original's name has none. */
        @Override
        public String suffix() {
            return "jpg";
        }

        @Override
        public String suffixFor(String path) {
            String name = path.substring(path.lastIndexOf('/') + 1);
            int dot = name.lastIndexOf('.');
            return dot > 0 && dot < name.length() - 1 ? name.substring(dot + 1) : suffix();
        }
    }

    /** How a TIFF's strips are packed. None loses anything. */
    enum Packing {
        PLAIN,
        /** Read by every program, also the oldest; files are larger than by Deflate. */
        LZW,
        DEFLATE
    }
}
