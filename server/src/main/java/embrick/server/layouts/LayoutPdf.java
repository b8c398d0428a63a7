package embrick.server.layouts;

import embrick.core.nest.Placed;
import embrick.core.nest.Tiling.Tile;
import embrick.core.plan.PageLayout;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.PageLayout.Line;
import embrick.core.plan.PageLayout.Meaning;
import embrick.formats.Sheets;
import embrick.formats.Sheets.Sheet;
import embrick.server.layouts.Layouts.Laid;
import embrick.server.layouts.Layouts.Layout;
import embrick.server.layouts.Layouts.Page;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** A layout as PDF pages: pieces in their true size, and short lines in the gaps where they are cut. */
@Component
class LayoutPdf {
    private static final double POINTS_PER_MICROMETRE = 72 / 25_400.0;

    /** µm; common practice, no source. */
    private static final long LONGEST_MARK = 5000;

    /** µm: a shorter one is not seen. */
    private static final long SHORTEST_MARK = 500;

    private final Sheets sheets;

    LayoutPdf(Sheets sheets) {
        this.sheets = sheets;
    }

    void write(String title, Layout layout, double gapMillimetres, OutputStream to) throws IOException {
        long mark = Math.min(LONGEST_MARK, Layouts.micrometres(gapMillimetres) / 2);
        sheets.write(
                title,
                layout.pages().stream().map(page -> sheet(page, layout, mark)).toList(),
                to);
    }

    private static Sheet sheet(Page page, Layout layout, long mark) {
        List<Sheets.Laid> laid = new ArrayList<>();
        List<Line> cuts = new ArrayList<>();
        for (Placed placed : page.placed()) {
            Laid what = layout.laid().get(placed.item().number());
            laid.add(laid(page, placed, what));
            if (mark >= SHORTEST_MARK) {
                mark(cuts, page, placed, what, mark);
            }
        }
        return new Sheet(points(page.width()), points(page.height()), laid, cuts);
    }

    private static Sheets.Laid laid(Page page, Placed placed, Laid what) {
        Tile tile = what.tile();
        // Where the whole print would lie, of which this part is seen.
        long left = placed.x() - (placed.turned() ? what.wholeHeight() - tile.y() - tile.height() : tile.x());
        long top = placed.y() - (placed.turned() ? tile.x() : tile.y());
        long across = placed.turned() ? what.wholeHeight() : what.wholeWidth();
        long along = placed.turned() ? what.wholeWidth() : what.wholeHeight();
        return new Sheets.Laid(
                what.copy().page(),
                box(page, left, top, left + across, top + along),
                placed.turned(),
                box(page, placed.x(), placed.y(), placed.right(), placed.end()));
    }

    /** Page coordinates begin at the bottom. */
    private static Box box(Page page, long left, long top, long right, long end) {
        return new Box(points(left), points(page.height() - end), points(right), points(page.height() - top));
    }

    private static double points(long micrometres) {
        return micrometres * POINTS_PER_MICROMETRE;
    }

    /** In line with the sides that it is cut at, outside the piece. */
    private static void mark(List<Line> cuts, Page page, Placed placed, Laid what, long mark) {
        double[] inside = inside(placed, what);
        Box all = box(page, placed.x(), placed.y(), placed.right(), placed.end());
        double length = points(mark);
        for (double x : new double[] {all.left() + inside[0], all.right() - inside[2]}) {
            cuts.add(new Line(x, all.top(), x, all.top() + length, Meaning.CUT));
            cuts.add(new Line(x, all.bottom() - length, x, all.bottom(), Meaning.CUT));
        }
        for (double y : new double[] {all.top() - inside[1], all.bottom() + inside[3]}) {
            cuts.add(new Line(all.left() - length, y, all.left(), y, Meaning.CUT));
            cuts.add(new Line(all.right(), y, all.right() + length, y, Meaning.CUT));
        }
    }

    /** How far the trim lies inside the piece as it lies: left, top, right, bottom, in points. A part is cut at its sides. */
    private static double[] inside(Placed placed, Laid what) {
        if (what.parts() > 1) {
            return new double[4];
        }
        PageLayout own = PageLayout.of(what.copy().page().plan());
        Box trim = own.trim();
        Box picture = own.picture();
        double[] upright = {
            trim.left() - picture.left(),
            picture.top() - trim.top(),
            picture.right() - trim.right(),
            trim.bottom() - picture.bottom()
        };
        // Turned clockwise, the bottom comes to the left.
        return placed.turned() ? new double[] {upright[3], upright[0], upright[1], upright[2]} : upright;
    }
}
