package embrick.core.ticket;

/** The file a piece becomes. */
public sealed interface FileFormat {
    /** File suffix without its dot. */
    String suffix();

    /** JPEG, colour at full resolution (4:4:4), quality 1 to 100. */
    record Jpeg(int quality) implements FileFormat {
        public Jpeg {
            if (quality < 1 || quality > 100) {
                throw new IllegalArgumentException("quality: expected 1 to 100, got " + quality);
            }
        }

        @Override
        public String suffix() {
            return "jpg";
        }
    }

    /** TIFF 6.0, 8 bit. */
    record Tiff(Packing packing) implements FileFormat {
        @Override
        public String suffix() {
            return "tif";
        }
    }

    record Png() implements FileFormat {
        @Override
        public String suffix() {
            return "png";
        }
    }

    /** Whether a TIFF's strips are packed. Neither loses anything. */
    enum Packing {
        PLAIN,
        DEFLATE
    }
}
