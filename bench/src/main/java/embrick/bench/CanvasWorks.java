package embrick.bench;

import static embrick.bench.Tickets.canvasTicket;
import static embrick.bench.Tickets.plan;
import static embrick.bench.Tickets.wrap;

import embrick.core.colour.PaperColour;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.formats.Formats;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.util.Map;

/** The pixels of a wrapped canvas. */
final class CanvasWorks {
    private static final int STRIP_ROWS = 64;

    private final Bed bed;
    private final Pictures pictures;
    private final Formats formats;

    CanvasWorks(Bed bed, Pictures pictures) {
        this.bed = bed;
        this.pictures = pictures;
        this.formats = bed.formats();
    }

    void addTo(Map<String, Work.Making> works) {
        works.put("wrap-face", () -> canvas(new Edges.None()));
        works.put("wrap-mirror", () -> canvas(wrap(new EdgeFill.Mirror())));
        works.put("wrap-drawn-out", () -> canvas(wrap(new EdgeFill.DrawnOut())));
        works.put("wrap-plain", () -> canvas(wrap(new EdgeFill.Plain(PaperColour.WHITE))));
        works.put("wrap-rim-mean", () -> canvas(wrap(new EdgeFill.RimMean())));
    }

    /**
     * The pixels of a canvas alone, strip by strip as a writer pulls them. Parts are made first, as a server makes them for
     * its screens: then all works have met the same shapes.
     */
    private Work canvas(Edges edges) throws IOException {
        OpenedPicture opened = bed.open(pictures.original());
        bed.hold(opened);
        Plan plan = plan(opened, canvasTicket(edges));
        Print parts = Printer.print(plan, opened.raster(), formats.profiles());
        for (int i = 0; i < 40; i++) {
            parts.render(new PixelRect(1000 + 100 * i, 1000, 64, 640), new float[64 * 640 * 3]);
        }
        return new Work(6, () -> {
            Print print = Printer.print(plan, opened.raster(), formats.profiles());
            for (int y = 0; y < print.size().height(); y += STRIP_ROWS) {
                print.rows(y, Math.min(STRIP_ROWS, print.size().height() - y));
            }
        });
    }
}
