package embrick.core.plan;

import embrick.core.colour.PaperColour;
import embrick.core.edge.BandFill;
import embrick.core.edge.Bands;
import embrick.core.edge.CaptionLine;
import embrick.core.edge.Extension;
import embrick.core.edge.KeyLine;
import embrick.core.edge.Rim;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * From a ticket's edges round one sheet to pixels.
 *
 * @param words of the caption, where the ticket asks for one
 * @param bands on each side, worked out once ({@link BandRule})
 */
record EdgeRule(Ticket ticket, PixelSize sheet, Optional<CaptionText> words, Bands bands) {
    static EdgeRule of(Ticket ticket, PixelSize sheet, Optional<CaptionText> words) {
        return new EdgeRule(ticket, sheet, words, BandRule.bands(ticket, sheet));
    }

    /**
     * All that stands against it.
     *
     * @param picture its place, in the sheet's pixels
     */
    List<Problem> problems(PixelRect picture) {
        List<Problem> problems = new ArrayList<>();
        if (ticket.edges() instanceof Edges.Wrap wrap
                && wrap.fill() instanceof EdgeFill.Picture
                && !(ticket.size() instanceof Size.Sheet)) {
            problems.add(problem(
                    "wrap-needs-paper",
                    "a paper size, or one in pixels, where the wrap is made of the picture itself",
                    "a shape without a size",
                    "Choose a paper size, or fill the wrap another way."));
        }
        Bands framed = BandRule.framed(ticket, sheet);
        if (!framed.isNone() && !framed.onTotal(picture).covers(framed.around(sheet))) {
            problems.add(problem(
                    "wrap-not-covered",
                    "a picture that covers the sheet and its wrap, since the wrap is made of the picture itself",
                    "paper beside the picture",
                    "Let the picture fill the sheet, or fill the wrap another way."));
        }
        if (ticket.edges() instanceof Edges.Border border) {
            if (border.size() instanceof BorderSize.GrownTo(PaperSize outer)
                    && BandRule.isOutgrown(outer, sheet, ticket.ppi())) {
                problems.add(problem(
                        "outer-too-small",
                        "an outer size of " + sheet + " px or more",
                        BandRule.outerPixels(outer, sheet, ticket.ppi()) + " px",
                        "Choose a larger outer size, or a smaller sheet."));
                return problems;
            }
            keyLine(border, ticket.ppi())
                    .filter(line -> line.width() >= bands.narrowest())
                    .ifPresent(line -> problems.add(problem(
                            "key-line-without-room",
                            "a key line narrower than the border, " + bands.narrowest() + " px",
                            line.width() + " px",
                            "Choose a thinner line, or a wider border.")));
            caption(border)
                    .ifPresent(line -> captionProblem(line, words.orElseThrow()).ifPresent(problems::add));
        }
        return problems;
    }

    private Optional<Problem> captionProblem(CaptionLine line, CaptionText said) {
        if (!said.missing().isEmpty()) {
            return Optional.of(problem(
                    "caption-characters",
                    "characters that the caption’s font has: Latin, Greek and Cyrillic",
                    "“" + said.missing() + "” in “" + said.text() + "”",
                    "Type the caption yourself, or leave it out."));
        }
        double length = said.widthEm() * line.emPixels();
        if (line.emPixels() > bands.bottom()) {
            return Optional.of(problem(
                    "caption-too-high",
                    "text that fits the border at the bottom, " + bands.bottom() + " px",
                    Math.round(line.emPixels()) + " px",
                    "Choose smaller text, or a wider border at the bottom."));
        }
        if (length > sheet.width()) {
            return Optional.of(problem(
                    "caption-too-long",
                    "a caption no longer than the sheet is wide, " + sheet.width() + " px",
                    Math.round(length) + " px (“" + line.text() + "”)",
                    "Choose smaller text, or fewer words."));
        }
        return Optional.empty();
    }

    private static Problem problem(String code, String expected, String actual, String remedy) {
        return Problem.of(code, "edges", expected, actual, remedy);
    }

    /** With the safe distance of the ticket or of its product, whichever is larger. */
    private Rim trimmed(Length own) {
        Length safe = ticket.product()
                .map(ProductRule::safe)
                .filter(asked -> asked.compareTo(own) > 0)
                .orElse(own);
        return new Rim.Trimmed(ticket.ppi().pixelsToCover(safe));
    }

    /** What goes round the sheet. */
    Extension extension() {
        return switch (ticket.edges()) {
            case Edges.None _ -> new Extension(Bands.NONE, new BandFill.Mirror(), trimmed(Length.millimetres(0)));
            case Edges.Bleed bleed -> new Extension(bands, fill(bleed.fill()), trimmed(bleed.safe()));
            case Edges.Wrap wrap ->
                new Extension(bands, fill(wrap.fill()), new Rim.Folded(BandRule.pixels(wrap.bar(), ticket.ppi())))
                        .withMarks(
                                wrap.marks() == Edges.WrapMarks.NONE
                                        ? List.of()
                                        : Marks.ofWrap(
                                                sheet,
                                                bands,
                                                BandRule.pixels(wrap.allowance(), ticket.ppi()),
                                                ticket.ppi()));
            case Edges.Border border ->
                new Extension(
                        bands,
                        new BandFill.Plain(border.colour()),
                        new Rim.Joined(),
                        keyLine(border, ticket.ppi()),
                        caption(border),
                        List.of());
        };
    }

    /** What the picture itself does not cover of a band is mirrored. */
    private static BandFill fill(EdgeFill fill) {
        return switch (fill) {
            case EdgeFill.Picture _, EdgeFill.Mirror _ -> new BandFill.Mirror();
            case EdgeFill.DrawnOut _ -> new BandFill.DrawnOut();
            case EdgeFill.Plain(PaperColour colour) -> new BandFill.Plain(colour);
            case EdgeFill.Grown _ -> new BandFill.Grown();
            case EdgeFill.RimMean _ -> new BandFill.RimMean();
        };
    }

    private static Optional<KeyLine> keyLine(Edges.Border border, Resolution ppi) {
        return border.keyLine().map(line -> new KeyLine(Math.max(1, ppi.pixelsToCover(line.width())), line.colour()));
    }

    /** In the middle of the bottom, its small letters centred between the sheet and the outer rim. */
    private Optional<CaptionLine> caption(Edges.Border border) {
        if (border.caption().isEmpty() || words.isEmpty() || words.get().text().isEmpty()) {
            return Optional.empty();
        }
        double em = border.caption().get().letters().toInches() * ticket.ppi().toPpi();
        double middle = bands.top() + sheet.height() + bands.bottom() / 2.0;
        return Optional.of(new CaptionLine(
                words.get().text(),
                em,
                bands.left() + sheet.width() / 2.0,
                middle + CaptionText.HALF_SMALL_LETTER * em,
                border.caption().get().colour()));
    }
}
