package embrick.core.found.scan;

import embrick.core.found.Confidence;
import embrick.core.found.SmallPixels;
import embrick.core.found.scan.FoundPrint.Doubt;
import embrick.core.found.scan.FoundPrint.Kind;
import embrick.core.found.scan.FoundPrint.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Finds the prints on a scan: the four sides and the tilt of each.
 *
 * <p>The bed is the one colour of the rim. What it does not reach lies on it ({@link Lying}); each side of that is then
 * measured where the first step is met from outside ({@link SideLine}). All four must agree in one rectangle. Where a side
 * cannot be told from the bed, nothing is guessed: the print is given as not sure, with the side.
 */
public final class ScanBorder {
    /** Outside of the rough side that is looked at, and inside it for what a shadow added, as shares of the print's short side. */
    private static final double OUTSIDE = 0.012;

    private static final double INSIDE = 0.07;
    /** A print is a rectangle: so much of the smallest one about it must be filled. */
    private static final double LEAST_FILLED = 0.93;
    /** Sides of a sure print are square to one another within this, in degrees; of a likely one within the second. */
    private static final double SQUARE = 0.2;

    private static final double NEARLY_SQUARE = 0.4;
    /** A ragged side wanders by no more than this share of the print's short side. */
    private static final double RAGGED = 0.02;
    /** What another print may throw round itself, as a share of the scan's short side. */
    private static final double SHADOW = 0.02;
    /** Of what wanders, this share is left outside. */
    private static final double INNER = 0.97;
    /** Prints laid by hand are not all this straight, in degrees. */
    private static final double LAID_OUT = 0.04;

    private ScanBorder() {}

    /** What a scan shows. */
    public sealed interface Scan {
        /** Prints from the top to the bottom, then from the left. */
        record Prints(List<FoundPrint> prints) implements Scan {
            public Prints {
                prints = List.copyOf(prints);
            }
        }

        record Nothing(Why why) implements Scan {}
    }

    public enum Why {
        /** The rim is not of one colour: the picture fills the scan. */
        NO_BED,
        /** Nothing lies on the bed. */
        EMPTY,
        /** What lies there has no four straight sides. */
        NO_RECTANGLE,
        /** Pictures laid out square to one another, as on a page. */
        LAID_OUT
    }

    /** @param scan reduced to about 1500 to 2000 pixels on the longer side */
    public static Scan find(SmallPixels scan) {
        Optional<Bed> bed = Bed.of(scan);
        if (bed.isEmpty()) {
            return new Scan.Nothing(Why.NO_BED);
        }
        List<Lying> lying = Lying.on(scan, bed.get());
        if (lying.isEmpty()) {
            return new Scan.Nothing(Why.EMPTY);
        }
        List<FoundPrint> prints = prints(scan, bed.get(), lying);
        if (prints.isEmpty()) {
            return new Scan.Nothing(Why.NO_RECTANGLE);
        }
        return prints.size() > 1
                        && prints.stream()
                                .allMatch(one -> Math.abs(one.outline().degrees()) < LAID_OUT)
                ? new Scan.Nothing(Why.LAID_OUT)
                : new Scan.Prints(prints);
    }

    /** Each that is a rectangle. One that is not sure is joined with another in line with it, if together they are. */
    private static List<FoundPrint> prints(SmallPixels scan, Bed bed, List<Lying> lying) {
        List<FoundPrint> prints = new ArrayList<>();
        List<Lying> left = new ArrayList<>(lying);
        while (!left.isEmpty()) {
            Lying one = left.removeFirst();
            Optional<FoundPrint> print =
                    one.share() < LEAST_FILLED ? Optional.empty() : Optional.of(measured(scan, bed, one, lying));
            if (print.isEmpty() || print.get().confidence() == Confidence.NOT_SURE) {
                for (Lying other : left) {
                    Optional<FoundPrint> whole = one.joined(other)
                            .map(both -> measured(scan, bed, both, List.of(both)))
                            .filter(found -> found.confidence() != Confidence.NOT_SURE);
                    if (whole.isPresent()) {
                        print = whole;
                        left.remove(other);
                        break;
                    }
                }
            }
            print.ifPresent(prints::add);
        }
        return prints;
    }

    private static FoundPrint measured(SmallPixels scan, Bed bed, Lying lying, List<Lying> all) {
        Rectangle rough = lying.rough();
        double least = Steps.least(bed.noise());
        int outside = 12 + (int) Math.round(OUTSIDE * rough.shortSide());
        int inside = (int) Math.round(INSIDE * rough.shortSide());
        SideLine[] sides = new SideLine[4];
        for (int i = 0; i < 4; i++) {
            sides[i] = SideLine.find(scan, Across.side(rough, i), outside, inside, least);
        }
        double turned = agreed(sides);
        Rectangle outline = assembled(rough, sides, turned);
        List<Rectangle> others = all.stream()
                .filter(other -> !other.equals(lying))
                .map(other -> other.rough().inside(-SHADOW * scan.shortSide()))
                .toList();
        List<Doubt> doubts = new ArrayList<>();
        Confidence confidence = Confidence.SURE;
        for (Side side : Side.values()) {
            Optional<Kind> doubt = doubt(scan, bed, sides[side.ordinal()], outline, side, turned, others);
            if (lying.touchesRim() && isBeyond(scan, outline, side)) {
                doubt = Optional.of(Kind.BEYOND_SCAN);
            }
            if (doubt.isPresent()) {
                doubts.add(new Doubt(side, doubt.get()));
                confidence = confidence.lesser(weight(doubt.get(), sides[side.ordinal()], turned));
            }
        }
        return new FoundPrint(outline, confidence, doubts);
    }

    private static Confidence weight(Kind doubt, SideLine side, double turned) {
        return switch (doubt) {
            case UNSEEN, GOES_ON, BEYOND_SCAN -> Confidence.NOT_SURE;
            case RAGGED -> Confidence.LIKELY;
            case ASKEW -> Math.abs(side.turned() - turned) < NEARLY_SQUARE ? Confidence.LIKELY : Confidence.NOT_SURE;
        };
    }

    /** The turn that most of the sides' length agrees on: the weighted median of the four. */
    private static double agreed(SideLine[] sides) {
        SideLine[] sorted = Arrays.stream(sides)
                .sorted((a, b) -> Double.compare(a.turned(), b.turned()))
                .toArray(SideLine[]::new);
        double total = Arrays.stream(sorted).mapToDouble(ScanBorder::weight).sum();
        double sum = 0;
        double middle = 0;
        for (SideLine side : sorted) {
            sum += weight(side);
            if (sum >= total / 2) {
                middle = side.turned();
                break;
            }
        }
        // Their mean is closer than any one of them, as far as they agree.
        double weighted = 0;
        double weights = 0;
        for (SideLine side : sides) {
            if (Math.abs(side.turned() - middle) < SQUARE) {
                weighted += weight(side) * side.turned();
                weights += weight(side);
            }
        }
        return weights > 0 ? weighted / weights : middle;
    }

    /** A line's direction is known the better the longer it is: by the cube of its length where the places are evenly spread. */
    private static double weight(SideLine side) {
        double length = side.across().length();
        return side.support() / (side.near() * side.near() + 1e-9) * length * length * length;
    }

    /** The rectangle at the agreed turn whose sides lie on the lines, inside what is ragged of them. */
    private static Rectangle assembled(Rectangle rough, SideLine[] sides, double turned) {
        double slope = Math.tan(Math.toRadians(turned));
        double[] inwards = new double[4];
        for (int i = 0; i < 4; i++) {
            inwards[i] = innermost(sides[i], slope);
        }
        double degrees = rough.degrees() + turned;
        // Each side's middle, taken in by what was measured there; the two opposite ones bound the rectangle.
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double[] bounds = new double[4];
        for (int i = 0; i < 4; i++) {
            Across across = sides[i].across();
            double half = across.length() / 2;
            double x = across.x(half, inwards[i] + slope * half);
            double y = across.y(half, inwards[i] + slope * half);
            bounds[i] = i % 2 == 0 ? -x * sin + y * cos : x * cos + y * sin;
        }
        double along = (bounds[1] + bounds[3]) / 2;
        double down = (bounds[0] + bounds[2]) / 2;
        return new Rectangle(
                along * cos - down * sin,
                along * sin + down * cos,
                Math.max(1, bounds[1] - bounds[3]),
                Math.max(1, bounds[2] - bounds[0]),
                degrees);
    }

    /** How far inwards a side lies at its beginning, seen at a slope; what wanders by more than a pixel is left outside. */
    private static double innermost(SideLine side, double slope) {
        double[] inwards = side.wander(slope);
        if (inwards.length == 0) {
            return side.inwards();
        }
        double middle = Arrays.stream(inwards).average().orElseThrow();
        return middle + Math.max(0, quantile(inwards, INNER) - middle - 1);
    }

    private static double quantile(double[] sorted, double share) {
        return sorted[(int) (share * (sorted.length - 1))];
    }

    private static Optional<Kind> doubt(
            SmallPixels scan,
            Bed bed,
            SideLine line,
            Rectangle outline,
            Side side,
            double turned,
            List<Rectangle> others) {
        double slope = Math.tan(Math.toRadians(turned));
        if (line.isRagged(slope)) {
            double[] inwards = line.wander(slope);
            double wanders = quantile(inwards, INNER) - quantile(inwards, 1 - INNER);
            return Optional.of(wanders < RAGGED * outline.shortSide() ? Kind.RAGGED : Kind.UNSEEN);
        }
        if (!line.isSeen()) {
            return Optional.of(Kind.UNSEEN);
        }
        if (Math.abs(line.turned() - turned) > SQUARE) {
            return Optional.of(Kind.ASKEW);
        }
        return Beyond.goesOn(scan, bed, Across.side(outline, side.ordinal()), others)
                ? Optional.of(Kind.GOES_ON)
                : Optional.empty();
    }

    private static boolean isBeyond(SmallPixels scan, Rectangle outline, Side side) {
        Across across = Across.side(outline, side.ordinal());
        double middle = across.length() / 2;
        return !across.isWithin(scan, middle, -3);
    }
}
