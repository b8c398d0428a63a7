package embrick.server.documents;

import embrick.core.colour.PaperColour;
import embrick.core.paper.PaperSize;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.units.Length;
import embrick.server.documents.EdgesDocument.BorderSizeDocument;
import embrick.server.documents.EdgesDocument.CaptionDocument;
import embrick.server.documents.EdgesDocument.CaptionPartDocument;
import embrick.server.documents.EdgesDocument.FillDocument;
import embrick.server.documents.EdgesDocument.SidesDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import java.util.Optional;

/** From an edges' document to the core's edges. */
final class EdgesDocuments {
    private EdgesDocuments() {}

    /**
     * @param paper the ticket's size, which a border may lie inside
     * @throws IllegalArgumentException if a value cannot work
     */
    static Edges edges(EdgesDocument edges, SizeDocument paper) {
        return switch (edges) {
            case EdgesDocument.NoEdges _ -> new Edges.None();
            case EdgesDocument.BleedEdges bleed ->
                new Edges.Bleed(bleed.band().toLength(), bleed.safe().toLength(), fill(bleed.fill()));
            case EdgesDocument.WrapEdges wrap ->
                new Edges.Wrap(sides(wrap.bar()), sides(wrap.allowance()), fill(wrap.fill()), wrap.marks());
            case EdgesDocument.BorderEdges border ->
                new Edges.Border(
                        size(border.size(), paper),
                        PaperColour.parse(border.colour()),
                        Optional.ofNullable(border.keyLine())
                                .map(line ->
                                        new Edges.KeyLine(line.width().toLength(), PaperColour.parse(line.colour()))),
                        Optional.ofNullable(border.caption()).map(EdgesDocuments::caption));
        };
    }

    /** With another fill where it grows one. */
    static EdgesDocument filled(EdgesDocument edges, OverrideDocument.Instead instead) {
        FillDocument fill = switch (instead) {
            case MIRROR -> new FillDocument.MirrorFill();
            case DRAWN_OUT -> new FillDocument.DrawnOutFill();
        };
        return switch (edges) {
            case EdgesDocument.BleedEdges bleed
            when bleed.fill() instanceof FillDocument.GrownFill ->
                new EdgesDocument.BleedEdges(bleed.band(), bleed.safe(), fill);
            case EdgesDocument.WrapEdges wrap
            when wrap.fill() instanceof FillDocument.GrownFill ->
                new EdgesDocument.WrapEdges(wrap.bar(), wrap.allowance(), fill, wrap.marks());
            case EdgesDocument.NoEdges _,
                    EdgesDocument.BleedEdges _,
                    EdgesDocument.WrapEdges _,
                    EdgesDocument.BorderEdges _ -> edges;
        };
    }

    private static Sides sides(SidesDocument sides) {
        return new Sides(
                sides.top().toLength(),
                sides.right().toLength(),
                sides.bottom().toLength(),
                sides.left().toLength());
    }

    private static EdgeFill fill(FillDocument fill) {
        return switch (fill) {
            case FillDocument.PictureFill _ -> new EdgeFill.Picture();
            case FillDocument.MirrorFill _ -> new EdgeFill.Mirror();
            case FillDocument.DrawnOutFill _ -> new EdgeFill.DrawnOut();
            case FillDocument.PlainFill plain -> new EdgeFill.Plain(PaperColour.parse(plain.colour()));
            case FillDocument.GrownFill _ -> new EdgeFill.Grown();
            case FillDocument.RimMeanFill _ -> new EdgeFill.RimMean();
        };
    }

    /** The sheet that a border inside the paper leaves of it; with any other edges the paper itself. */
    static Size sheet(EdgesDocument edges, Size size) {
        return edges instanceof EdgesDocument.BorderEdges border
                        && border.size() instanceof BorderSizeDocument.InsideBorder(LengthDocument band)
                        && size instanceof Size.OnPaper(PaperSize paper)
                ? new Size.OnPaper(new PaperSize(within(paper.shortSide(), band), within(paper.longSide(), band)))
                : size;
    }

    private static Length within(Length side, LengthDocument band) {
        return Length.ofParts(side.parts() - 2 * band.toLength().parts(), side.spokenIn());
    }

    private static BorderSize inside(LengthDocument band, SizeDocument of) {
        if (!(of instanceof SizeDocument.OnPaper paper)) {
            throw new IllegalArgumentException(
                    "border inside the paper: expected a paper size; choose one, or a border outside the paper");
        }
        BorderSize.Even even = new BorderSize.Even(band.toLength());
        Length width = paper.width().toLength();
        Length height = paper.height().toLength();
        Length shorter = width.compareTo(height) < 0 ? width : height;
        if (even.band().times(2).compareTo(shorter) >= 0) {
            throw new IllegalArgumentException("border inside the paper: expected less than half of its shorter side, "
                    + shorter + ", got " + even.band());
        }
        return new BorderSize.GrownTo(new PaperSize(width, height));
    }

    private static BorderSize size(BorderSizeDocument size, SizeDocument of) {
        return switch (size) {
            case BorderSizeDocument.InsideBorder(LengthDocument band) -> inside(band, of);
            case BorderSizeDocument.EvenBorder even ->
                new BorderSize.Even(even.band().toLength());
            case BorderSizeDocument.HeavierBottomBorder footed ->
                new BorderSize.HeavierBottom(
                        footed.band().toLength(), footed.bottom().toLength());
            case BorderSizeDocument.GrownBorder grown ->
                new BorderSize.GrownTo(
                        new PaperSize(grown.width().toLength(), grown.height().toLength()));
        };
    }

    private static Caption caption(CaptionDocument caption) {
        return new Caption(
                caption.parts().stream().map(EdgesDocuments::part).toList(),
                caption.letters().toLength(),
                PaperColour.parse(caption.colour()));
    }

    private static Caption.Part part(CaptionPartDocument part) {
        return switch (part) {
            case CaptionPartDocument.FileNamePart _ -> new Caption.Part.FileName();
            case CaptionPartDocument.TitlePart _ -> new Caption.Part.Title();
            case CaptionPartDocument.NumberPart number -> new Caption.Part.Number(number.digits());
            case CaptionPartDocument.WordsPart words -> new Caption.Part.Words(words.text());
        };
    }
}
