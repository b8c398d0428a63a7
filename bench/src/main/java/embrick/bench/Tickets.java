package embrick.bench;

import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Measure;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.picture.OpenedPicture;
import java.util.Optional;

/** What is asked of the works. */
final class Tickets {
    static final SourceFacts PLAIN = new SourceFacts(
            SourceFacts.FileKind.JPEG,
            new PixelSize(3000, 2400),
            Orientation.UPRIGHT,
            Optional.empty(),
            new SourceFacts.SourceColour(ColourModel.RGB, SourceFacts.Alpha.OPAQUE, 8, Optional.empty()),
            0);

    static Ticket ticket(Sharpening sharpening) {
        return Ticket.plain(onPaper("8", "10"), Resolution.perInch(300), new FileFormat.Jpeg(95))
                .withSharpening(sharpening);
    }

    /** Their own shape with a long side of 2048 px, sharpened for screens. */
    static Ticket screenSet() {
        Measure longSide = new Measure.SidePixels(Measure.Side.LONG, 2048);
        return ticket(new Sharpening.ForScreen())
                .withSize(new Size.Scaled(longSide, Size.Enlarging.NEVER))
                .withFile(new FileFormat.Jpeg(88, FileFormat.Chroma.HALF));
    }

    static Size onPaper(String width, String height) {
        return new Size.OnPaper(new PaperSize(Length.inches(width), Length.inches(height)));
    }

    static Plan plan(OpenedPicture opened, Ticket ticket) {
        return plan(opened.facts(), ticket);
    }

    static Plan plan(SourceFacts facts, Ticket ticket) {
        return ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred())).plan();
    }

    /** 20 × 24 in at 300 ppi, sharpened for canvas. */
    static Ticket canvasTicket(Edges edges) {
        return ticket(new Sharpening.ForPaper(PaperKind.CANVAS))
                .withSize(onPaper("20", "24"))
                .withEdges(edges);
    }

    /** 2 1/2 in of bar and 1/2 in of allowance all round: 26 × 30 in, 70 MP. */
    static Edges wrap(EdgeFill fill) {
        return new Edges.Wrap(
                Sides.even(Length.inches("2.5")),
                Sides.even(Length.inches("0.5")),
                fill,
                Edges.WrapMarks.FOLDS_AND_CORNERS);
    }

    private Tickets() {}
}
