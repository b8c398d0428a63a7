package embrick.core.paper;

import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.Ratio;
import java.util.Objects;

/** The two sides of a sheet as spoken; a sheet has no fixed direction, so 8 × 10 and 10 × 8 are one paper. */
public record PaperSize(Length width, Length height) {
    /** Smallest side taken: 1 mm. */
    public static final Length SMALLEST = Length.of(1, LengthUnit.MM);
    /** Longest side taken: 30 m, longer than any roll's banner. */
    public static final Length LONGEST = Length.of(30_000, LengthUnit.MM);

    public PaperSize {
        Objects.requireNonNull(width);
        Objects.requireNonNull(height);
        for (Length side : new Length[] {width, height}) {
            if (side.compareTo(SMALLEST) < 0 || side.compareTo(LONGEST) > 0) {
                throw new IllegalArgumentException(
                        "paper: expected sides from " + SMALLEST + " to " + LONGEST + ", got " + side);
            }
        }
    }

    public Length shortSide() {
        return width.compareTo(height) <= 0 ? width : height;
    }

    public Length longSide() {
        return width.compareTo(height) <= 0 ? height : width;
    }

    public Ratio ratio() {
        return Ratio.of(width, height);
    }

    @Override
    public String toString() {
        return width.in(width.spokenIn()).toPlainString() + " × " + height;
    }
}
