package embrick.core.ticket;

import embrick.core.colour.ProfileRef;
import embrick.core.paper.PaperSize;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.EnumSet;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What one printed product asks of a file.
 *
 * @param name of the product
 * @param area that is printed, either way up
 * @param bleed round it that is cut off or turned over; 0 for none
 * @param safe distance inside its edge that is to be kept clear; 0 for none
 * @param ppi the files are to have
 * @param leastPpi that a picture's own pixels must come to: below it is refused, however many pixels the file has
 * @param colour that files are to be in; empty for any
 * @param files that are taken, one or more
 * @param mostBytes that a file may have
 */
public record ProductRule(
        String name,
        PaperSize area,
        Length bleed,
        Length safe,
        Resolution ppi,
        double leastPpi,
        Optional<ProfileRef> colour,
        Set<Accepted> files,
        Optional<Long> mostBytes) {
    /** Kinds of file that a product's maker takes. */
    public enum Accepted {
        JPEG,
        TIFF,
        PNG,
        PDF,
        WEBP;

        /** The kind of a ticket's file; none of one that stays as it is. */
        public static Optional<Accepted> of(FileFormat file) {
            return switch (file) {
                case FileFormat.Jpeg _ -> Optional.of(JPEG);
                case FileFormat.Tiff _ -> Optional.of(TIFF);
                case FileFormat.Png _ -> Optional.of(PNG);
                case FileFormat.Pdf _ -> Optional.of(PDF);
                case FileFormat.Webp _ -> Optional.of(WEBP);
                case FileFormat.AsItIs _ -> Optional.empty();
            };
        }
    }

    public ProductRule {
        Objects.requireNonNull(name);
        Objects.requireNonNull(area);
        Objects.requireNonNull(ppi);
        Objects.requireNonNull(colour);
        if (files.isEmpty()) {
            throw new IllegalArgumentException("files: expected one kind or more, got none");
        }
        files = Set.copyOf(EnumSet.copyOf(files));
        requireAtMost("bleed", bleed);
        requireAtMost("safe distance", safe);
        if (safe.parts() * 2 >= area.shortSide().parts()) {
            throw new IllegalArgumentException(
                    "safe distance: expected less than half of " + area.shortSide() + ", got " + safe);
        }
        if (!(leastPpi >= 1 && leastPpi <= Resolution.MAX_PER_INCH)) {
            throw new IllegalArgumentException(
                    "least real ppi: expected 1 to " + Resolution.MAX_PER_INCH + ", got " + leastPpi);
        }
        mostBytes.ifPresent(limit -> {
            if (limit < 1) {
                throw new IllegalArgumentException("largest file: expected 1 byte or more, got " + limit);
            }
        });
    }

    private static void requireAtMost(String what, Length length) {
        if (length.compareTo(Edges.Bleed.WIDEST) > 0) {
            throw new IllegalArgumentException(what + ": expected at most " + Edges.Bleed.WIDEST + ", got " + length);
        }
    }

    /** The real ppi of a picture that fills the area, the way up that suits it better, with all the pixels that shape leaves. */
    public double bestPpi(PixelSize seen) {
        double shortSide = Math.min(seen.width(), seen.height());
        double longSide = Math.max(seen.width(), seen.height());
        return Math.min(
                shortSide / area.shortSide().toInches(),
                longSide / area.longSide().toInches());
    }
}
