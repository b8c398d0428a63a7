package embrick.bench;

import static embrick.bench.Tickets.plan;
import static embrick.bench.Tickets.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.grown.BareArea;
import embrick.core.grown.GapSamples;
import embrick.core.grown.Grown;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.util.Map;

/** A background that is grown: a tenth more at the top of 24 MP. */
final class GrownWorks {
    private static final PixelSize SHEET = new PixelSize(6000, 4400);

    private final Bed bed;
    private final Pictures pictures;

    GrownWorks(Bed bed, Pictures pictures) {
        this.bed = bed;
        this.pictures = pictures;
    }

    void addTo(Map<String, Work.Making> works) {
        works.put("grown", this::grown);
    }

    private Work grown() throws IOException {
        OpenedPicture opened = bed.open(pictures.original());
        bed.hold(opened);
        Ticket ticket = ticket(new Sharpening.None())
                .withSize(new Size.InPixels(SHEET))
                .withFit(new Fit.Grown(PaperColour.WHITE, Anchor.BOTTOM));
        Plan plan = plan(opened, ticket);
        BareArea area = plan.bareArea().orElseThrow();
        return new Work(1, () -> {
            Grown came = Printer.grow(
                    plan, opened.raster(), bed.formats().profiles(), GapSamples.inMemory(area, 3), _ -> {});
            if (!(came instanceof Grown.Done)) {
                throw new IOException("the background was not grown: " + came);
            }
        });
    }
}
