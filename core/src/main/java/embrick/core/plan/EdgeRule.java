package embrick.core.plan;

import embrick.core.colour.PaperColour;
import embrick.core.edge.BandFill;
import embrick.core.edge.Bands;
import embrick.core.edge.CaptionLine;
import embrick.core.edge.Extension;
import embrick.core.edge.KeyLine;
import embrick.core.edge.Rim;
import embrick.core.paper.PaperSize;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * From a ticket's edges to pixels.
 *
 * <p>Rounding: every band rounds up by itself, counted outward from the sheet, so that none is narrower than asked; a bar
 * and its allowance are two bands. A border that is grown to an outer size takes what that size's nearest pixels leave, the
 * odd one at the right and the foot.
 */
final class EdgeRule {
    private EdgeRule() {}

    /** Bands that the frame has to cover too, because they show the picture itself. */
    static Bands framed(Ticket ticket, PixelSize sheet) {
        return ticket.edges() instanceof Edges.Wrap(Sides _, Sides _, EdgeFill.Picture _, Edges.WrapMarks _)
                ? bands(ticket, sheet)
                : Bands.NONE;
    }

    /** Bands round a sheet of so many pixels; a border that its outer size leaves no room for is none. */
    static Bands bands(Ticket ticket, PixelSize sheet) {
        Resolution ppi = ticket.ppi();
        return switch (ticket.edges()) {
            case Edges.None _ -> Bands.NONE;
            case Edges.Bleed bleed -> even(ppi.pixelsToCover(bleed.band()));
            case Edges.Wrap wrap -> sum(pixels(wrap.bar(), ppi), pixels(wrap.allowance(), ppi));
            case Edges.Border border ->
                switch (border.size()) {
                    case BorderSize.Even(Length band) -> even(ppi.pixelsToCover(band));
                    case BorderSize.HeavierFoot(Length band, Length foot) -> {
                        int side = ppi.pixelsToCover(band);
                        yield new Bands(side, side, side, ppi.pixelsToCover(foot));
                    }
                    case BorderSize.GrownTo(PaperSize outer) -> grown(outerPixels(outer, sheet, ppi), sheet);
                };
        };
    }

    private static Bands even(int band) {
        return new Bands(band, band, band, band);
    }

    static Bands pixels(Sides sides, Resolution ppi) {
        return new Bands(
                ppi.pixelsToCover(sides.left()),
                ppi.pixelsToCover(sides.top()),
                ppi.pixelsToCover(sides.right()),
                ppi.pixelsToCover(sides.foot()));
    }

    private static Bands sum(Bands a, Bands b) {
        return new Bands(a.left() + b.left(), a.top() + b.top(), a.right() + b.right(), a.foot() + b.foot());
    }

    private static PixelSize outerPixels(PaperSize outer, PixelSize sheet, Resolution ppi) {
        int shortSide = ppi.pixelsFor(outer.shortSide());
        int longSide = ppi.pixelsFor(outer.longSide());
        return sheet.isWide() ? new PixelSize(longSide, shortSide) : new PixelSize(shortSide, longSide);
    }

    private static Bands grown(PixelSize outer, PixelSize sheet) {
        int across = outer.width() - sheet.width();
        int down = outer.height() - sheet.height();
        return across < 0 || down < 0
                ? Bands.NONE
                : new Bands(across / 2, down / 2, across - across / 2, down - down / 2);
    }

    /** All that stands against a ticket's edges round a sheet. */
    static List<Problem> problems(Ticket ticket, Layout layout, Optional<CaptionText> words) {
        PixelSize sheet = layout.sheet();
        List<Problem> problems = new ArrayList<>();
        if (ticket.edges() instanceof Edges.Wrap wrap
                && wrap.fill() instanceof EdgeFill.Picture
                && !(ticket.size() instanceof Size.OnPaper)) {
            problems.add(problem(
                    "wrap-needs-paper",
                    "a paper size where the wrap is made of the picture itself",
                    "a shape without a size",
                    "Say a paper, or fill the wrap another way."));
        }
        Bands framed = framed(ticket, sheet);
        if (!framed.isNone() && !framed.onTotal(layout.picture()).covers(framed.around(sheet))) {
            problems.add(problem(
                    "wrap-not-covered",
                    "a picture that covers the sheet and its wrap, since the wrap is made of the picture itself",
                    "paper beside the picture",
                    "Let the picture fill the sheet, or fill the wrap another way."));
        }
        if (ticket.edges() instanceof Edges.Border border) {
            Bands bands = bands(ticket, sheet);
            if (border.size() instanceof BorderSize.GrownTo(PaperSize outer)
                    && isOutgrown(outer, sheet, ticket.ppi())) {
                problems.add(problem(
                        "outer-too-small",
                        "an outer size of " + sheet + " px or more",
                        outerPixels(outer, sheet, ticket.ppi()) + " px",
                        "Say a larger outer size, or a smaller sheet."));
                return problems;
            }
            keyLine(border, ticket.ppi())
                    .filter(line -> line.width() >= bands.narrowest())
                    .ifPresent(line -> problems.add(problem(
                            "key-line-without-room",
                            "a key line narrower than the border, " + bands.narrowest() + " px",
                            line.width() + " px",
                            "Say a thinner line, or a wider border.")));
            caption(border, ticket, sheet, words)
                    .ifPresent(line -> captionProblem(line, bands, sheet, words.orElseThrow())
                            .ifPresent(problems::add));
        }
        return problems;
    }

    private static boolean isOutgrown(PaperSize outer, PixelSize sheet, Resolution ppi) {
        PixelSize pixels = outerPixels(outer, sheet, ppi);
        return pixels.width() < sheet.width() || pixels.height() < sheet.height();
    }

    private static Optional<Problem> captionProblem(CaptionLine line, Bands bands, PixelSize sheet, CaptionText words) {
        if (!words.missing().isEmpty()) {
            return Optional.of(problem(
                    "caption-letters",
                    "letters that the shipped font has: Latin, Greek and Cyrillic",
                    "“" + words.missing() + "” in “" + words.text() + "”",
                    "Say the caption in own words, or leave it out."));
        }
        double length = words.widthEm() * line.emPixels();
        if (line.emPixels() > bands.foot()) {
            return Optional.of(problem(
                    "caption-too-high",
                    "letters that fit the border's foot, " + bands.foot() + " px",
                    Math.round(line.emPixels()) + " px",
                    "Say smaller letters, or a heavier foot."));
        }
        if (length > sheet.width()) {
            return Optional.of(problem(
                    "caption-too-long",
                    "a caption no longer than the sheet is wide, " + sheet.width() + " px",
                    Math.round(length) + " px (“" + line.text() + "”)",
                    "Say smaller letters, or fewer words."));
        }
        return Optional.empty();
    }

    private static Problem problem(String code, String expected, String actual, String remedy) {
        return new Problem(code, "edges", expected, actual, remedy);
    }

    /** What goes round a sheet, its marks and the words of its caption left to be handed in. */
    static Extension extension(Ticket ticket, PixelSize sheet, Optional<CaptionText> words) {
        Bands bands = bands(ticket, sheet);
        return switch (ticket.edges()) {
            case Edges.None _ -> Extension.none();
            case Edges.Bleed bleed ->
                new Extension(
                        bands, fill(bleed.fill()), new Rim.Trimmed(ticket.ppi().pixelsToCover(bleed.safe())));
            case Edges.Wrap wrap ->
                new Extension(bands, fill(wrap.fill()), new Rim.Folded(pixels(wrap.bar(), ticket.ppi())))
                        .withMarks(
                                wrap.marks() == Edges.WrapMarks.NONE
                                        ? List.of()
                                        : Marks.ofWrap(
                                                sheet, bands, pixels(wrap.allowance(), ticket.ppi()), ticket.ppi()));
            case Edges.Border border ->
                new Extension(
                        bands,
                        new BandFill.Plain(border.colour()),
                        new Rim.Joined(),
                        keyLine(border, ticket.ppi()),
                        caption(border, ticket, sheet, words),
                        List.of());
        };
    }

    /** What the picture itself does not cover of a band is mirrored. */
    private static BandFill fill(EdgeFill fill) {
        return switch (fill) {
            case EdgeFill.Picture _, EdgeFill.Mirror _ -> new BandFill.Mirror();
            case EdgeFill.DrawnOut _ -> new BandFill.DrawnOut();
            case EdgeFill.Plain(PaperColour colour) -> new BandFill.Plain(colour);
            case EdgeFill.RimMean _ -> new BandFill.RimMean();
        };
    }

    private static Optional<KeyLine> keyLine(Edges.Border border, Resolution ppi) {
        return border.keyLine().map(line -> new KeyLine(Math.max(1, ppi.pixelsToCover(line.width())), line.colour()));
    }

    /** In the middle of the foot, its small letters centred between the sheet and the outer rim. */
    private static Optional<CaptionLine> caption(
            Edges.Border border, Ticket ticket, PixelSize sheet, Optional<CaptionText> words) {
        if (border.caption().isEmpty() || words.isEmpty() || words.get().text().isEmpty()) {
            return Optional.empty();
        }
        Bands bands = bands(ticket, sheet);
        double em = border.caption().get().letters().toInches() * ticket.ppi().toPpi();
        double middle = bands.top() + sheet.height() + bands.foot() / 2.0;
        return Optional.of(new CaptionLine(
                words.get().text(),
                em,
                bands.left() + sheet.width() / 2.0,
                middle + CaptionText.HALF_SMALL_LETTER * em,
                border.caption().get().colour()));
    }
}
