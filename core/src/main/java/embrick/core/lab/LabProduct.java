package embrick.core.lab;

import embrick.core.source.SourceFacts.FileKind;
import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * Something that a lab makes of a piece, and what it asks of the piece's file.
 *
 * @param id the lab's own, as orders name it
 * @param sides of the print, upright or turned; empty where any size is taken
 * @param fileTypes that are read
 * @param profiles that may be embedded: what their descriptions begin with, as “sRGB” in “sRGB IEC 61966-2-1”
 * @param greatestBytes of a file
 * @param price of the first copy
 * @param priceOfMore of each further copy of the same piece
 */
public record LabProduct(
        String id,
        String name,
        Optional<PrintSides> sides,
        PpiRange ppi,
        List<FileKind> fileTypes,
        List<String> profiles,
        long greatestBytes,
        BigDecimal price,
        BigDecimal priceOfMore) {
    public LabProduct {
        Objects.requireNonNull(id);
        Objects.requireNonNull(name);
        Objects.requireNonNull(sides);
        Objects.requireNonNull(ppi);
        fileTypes = List.copyOf(fileTypes);
        profiles = List.copyOf(profiles);
        if (greatestBytes < 1) {
            throw new IllegalArgumentException("greatestBytes: expected 1 or more, got " + greatestBytes);
        }
        if (price.signum() < 0 || priceOfMore.signum() < 0) {
            throw new IllegalArgumentException("price: expected 0 or more, got " + price + " and " + priceOfMore);
        }
    }

    /** Both in inches. */
    public record PrintSides(BigDecimal width, BigDecimal height) {
        public PrintSides {
            if (width.signum() <= 0 || height.signum() <= 0) {
                throw new IllegalArgumentException("sides: expected more than 0, got " + width + " × " + height);
            }
        }
    }

    /** Both ends are taken. */
    public record PpiRange(int least, int greatest) {
        public PpiRange {
            if (least < 1 || greatest < least) {
                throw new IllegalArgumentException(
                        "ppi: expected 1 or more, in order, got " + least + " to " + greatest);
            }
        }
    }

    /** Labs name colour spaces, and profiles of one space are described in many ways. */
    boolean takesProfile(String description) {
        return profiles.stream().anyMatch(name -> description.regionMatches(true, 0, name, 0, name.length()));
    }

    /** What so many copies of one piece cost. */
    public BigDecimal priceOf(int copies) {
        return price.add(priceOfMore.multiply(BigDecimal.valueOf(Math.max(1, copies) - 1L)));
    }
}
