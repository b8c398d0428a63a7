package embrick.server.documents;

import embrick.core.colour.PaperColour;
import embrick.core.paper.PaperSize;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Sides;
import embrick.server.documents.EdgesDocument.BorderSizeDocument;
import embrick.server.documents.EdgesDocument.CaptionDocument;
import embrick.server.documents.EdgesDocument.CaptionPartDocument;
import embrick.server.documents.EdgesDocument.FillDocument;
import embrick.server.documents.EdgesDocument.SidesDocument;
import java.util.Optional;

/** From an edges' document to the core's edges. */
final class EdgesDocuments {
    private EdgesDocuments() {}

    /** @throws IllegalArgumentException if a value cannot work */
    static Edges edges(EdgesDocument edges) {
        return switch (edges) {
            case EdgesDocument.NoEdges _ -> new Edges.None();
            case EdgesDocument.BleedEdges bleed ->
                new Edges.Bleed(bleed.band().toLength(), bleed.safe().toLength(), fill(bleed.fill()));
            case EdgesDocument.WrapEdges wrap ->
                new Edges.Wrap(sides(wrap.bar()), sides(wrap.allowance()), fill(wrap.fill()), wrap.marks());
            case EdgesDocument.BorderEdges border ->
                new Edges.Border(
                        size(border.size()),
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
                sides.foot().toLength(),
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

    private static BorderSize size(BorderSizeDocument size) {
        return switch (size) {
            case BorderSizeDocument.EvenBorder even ->
                new BorderSize.Even(even.band().toLength());
            case BorderSizeDocument.FootedBorder footed ->
                new BorderSize.HeavierFoot(
                        footed.band().toLength(), footed.foot().toLength());
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
