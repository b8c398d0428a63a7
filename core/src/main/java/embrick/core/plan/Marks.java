package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.edge.Stroke;
import embrick.core.pixels.PixelRect;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;

/** Where marks stand. Their sizes are common practice, no source. */
final class Marks {
    private static final Length THICK = Length.of(new BigDecimal("0.25"), LengthUnit.MM);
    /** Marks keep off what they mark, so that a cut that strays shows none of them. */
    static final Length GAP = Length.millimetres(2);

    static final Length LONG = Length.millimetres(3);

    private Marks() {}

    /**
     * In the allowance of each side where the two folds run out into it, and across each corner a line to cut along: it
     * passes at 45° where the two bars' backs meet, so that what is left folds without a lump.
     */
    static List<Stroke> ofWrap(PixelSize sheet, Bands bands, Bands allowance, Resolution ppi) {
        double width = thickness(ppi);
        double right = bands.around(sheet).width();
        double bottom = bands.around(sheet).height();
        List<Stroke> marks = new ArrayList<>();
        for (double x : new double[] {bands.left(), right - bands.right()}) {
            marks.add(new Stroke(x, 0, x, allowance.top(), width));
            marks.add(new Stroke(x, bottom - allowance.bottom(), x, bottom, width));
        }
        for (double y : new double[] {bands.top(), bottom - bands.bottom()}) {
            marks.add(new Stroke(0, y, allowance.left(), y, width));
            marks.add(new Stroke(right - allowance.right(), y, right, y, width));
        }
        double topLeft = allowance.left() + allowance.top();
        double topRight = allowance.right() + allowance.top();
        double footLeft = allowance.left() + allowance.bottom();
        double footRight = allowance.right() + allowance.bottom();
        marks.add(new Stroke(topLeft, 0, 0, topLeft, width));
        marks.add(new Stroke(right - topRight, 0, right, topRight, width));
        marks.add(new Stroke(footLeft, bottom, 0, bottom - footLeft, width));
        marks.add(new Stroke(right - footRight, bottom, right, bottom - footRight, width));
        return marks;
    }

    /** Room that marks of a picture on paper need on each side of it. */
    static int trimRoom(Resolution ppi) {
        return ppi.pixelsToCover(GAP.plus(LONG));
    }

    /** At the corners of a place, in line with its sides and outside it. */
    static List<Stroke> ofTrim(PixelRect place, Resolution ppi) {
        double gap = ppi.pixelsToCover(GAP);
        double end = trimRoom(ppi);
        double width = thickness(ppi);
        List<Stroke> marks = new ArrayList<>();
        for (double x : new double[] {place.x(), place.right()}) {
            marks.add(new Stroke(x, place.y() - end, x, place.y() - gap, width));
            marks.add(new Stroke(x, place.bottom() + gap, x, place.bottom() + end, width));
        }
        for (double y : new double[] {place.y(), place.bottom()}) {
            marks.add(new Stroke(place.x() - end, y, place.x() - gap, y, width));
            marks.add(new Stroke(place.right() + gap, y, place.right() + end, y, width));
        }
        return marks;
    }

    private static double thickness(Resolution ppi) {
        // Even, because the lines they stand on run between two pixels: a half on either side, and no pixel grey.
        return 2 * Math.max(1, Math.round(THICK.toInches() * ppi.toPpi() / 2));
    }
}
