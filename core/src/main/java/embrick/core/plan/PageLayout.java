package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.edge.Rim;
import embrick.core.pixels.PixelRect;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;

/**
 * The page a plan becomes, in points of 1/72 inch, y upwards from the page's bottom as PDF counts.
 *
 * <p>A pixel is 72 ÷ ppi points large, so the picture has its exact size. The boxes nest (ISO 32000-1, 14.11.2; ISO 15930-7,
 * 6.3): media ⊇ bleed ⊇ trim. What is cut at the sheet's rim has its trim there; what turns there, or has a border, is cut
 * at the total's rim. A picture with trim marks on its paper is cut to its own size.
 *
 * @param picture the place of all pixels
 * @param marks lines outside the trim: where it is cut, and where it folds
 */
public record PageLayout(Box media, Box bleed, Box trim, Box picture, List<Line> marks) {
    private static final double POINTS_PER_INCH = 72;
    /** Paper outside the bleed that marks stand on. Common practice, no source. */
    private static final Length MARK_ROOM = Length.of(9, LengthUnit.MM);

    private static final double MARK_LENGTH = Length.of(5, LengthUnit.MM).toInches() * POINTS_PER_INCH;
    private static final double MARK_GAP = Length.of(2, LengthUnit.MM).toInches() * POINTS_PER_INCH;

    public PageLayout {
        marks = List.copyOf(marks);
    }

    /** A rectangle by its lower left and its upper right corner. */
    public record Box(double left, double bottom, double right, double top) {
        /** The largest distance between any two of their sides. */
        public double apart(Box other) {
            return Math.max(
                    Math.max(Math.abs(left - other.left), Math.abs(bottom - other.bottom)),
                    Math.max(Math.abs(right - other.right), Math.abs(top - other.top)));
        }
    }

    /** What a mark says. */
    public enum Meaning {
        CUT,
        FOLD
    }

    public record Line(double x1, double y1, double x2, double y2, Meaning meaning) {}

    /** What a page has on each side outside the total. */
    static Length room(FileFormat file) {
        return file instanceof FileFormat.Pdf pdf && pdf.marks() == PageMarks.CROP_AND_FOLD
                ? MARK_ROOM
                : Length.of(0, LengthUnit.MM);
    }

    /** The page of a plan whose file is a PDF, and of a JPEG that is to be a page. */
    public static PageLayout of(Plan plan) {
        double room = room(plan.file()).toInches() * POINTS_PER_INCH;
        PixelSize total = plan.total();
        double point = POINTS_PER_INCH / plan.marked().toPpi();
        Pixels pixels = new Pixels(point, room, total.height());
        Box all = pixels.box(PixelRect.whole(total));
        Box trim = pixels.box(cut(plan));
        Box media = new Box(0, 0, all.right() + room, all.top() + room);
        List<Line> marks = new ArrayList<>();
        if (room > 0) {
            addMarks(marks, trim, all, Meaning.CUT);
            if (plan.extension().rim() instanceof Rim.Folded) {
                addMarks(marks, pixels.box(plan.sheetOnTotal()), all, Meaning.FOLD);
            }
        }
        return new PageLayout(media, all, trim, all, marks);
    }

    /** The pixels that are left when all is cut. */
    private static PixelRect cut(Plan plan) {
        boolean hasTrimMarks =
                !plan.extension().marks().isEmpty() && !(plan.extension().rim() instanceof Rim.Folded);
        Bands bands = plan.extension().bands();
        if (hasTrimMarks) {
            return bands.onTotal(plan.picture());
        }
        return plan.extension().rim() instanceof Rim.Trimmed ? plan.sheetOnTotal() : PixelRect.whole(plan.total());
    }

    private record Pixels(double point, double room, int height) {
        Box box(PixelRect rect) {
            return new Box(
                    room + rect.x() * point,
                    room + (height - rect.bottom()) * point,
                    room + rect.right() * point,
                    room + (height - rect.y()) * point);
        }
    }

    /** In line with the sides of a box, outside all pixels. */
    private static void addMarks(List<Line> marks, Box of, Box all, Meaning meaning) {
        for (double x : new double[] {of.left(), of.right()}) {
            marks.add(new Line(x, all.bottom() - MARK_GAP - MARK_LENGTH, x, all.bottom() - MARK_GAP, meaning));
            marks.add(new Line(x, all.top() + MARK_GAP, x, all.top() + MARK_GAP + MARK_LENGTH, meaning));
        }
        for (double y : new double[] {of.bottom(), of.top()}) {
            marks.add(new Line(all.left() - MARK_GAP - MARK_LENGTH, y, all.left() - MARK_GAP, y, meaning));
            marks.add(new Line(all.right() + MARK_GAP, y, all.right() + MARK_GAP + MARK_LENGTH, y, meaning));
        }
    }
}
