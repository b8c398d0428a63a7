package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.paper.PaperSize;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;

/**
 * How many pixels a ticket's edges take on each side.
 *
 * <p>Rounding: every band rounds up by itself, counted outward from the sheet, so that none is narrower than asked; a bar
 * and its allowance are two bands. A border that is grown to an outer size takes what that size's nearest pixels leave, the
 * odd one at the right and the bottom.
 */
final class BandRule {
    private BandRule() {}

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
                    case BorderSize.HeavierBottom(Length band, Length bottom) -> {
                        int side = ppi.pixelsToCover(band);
                        yield new Bands(side, side, side, ppi.pixelsToCover(bottom));
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
                ppi.pixelsToCover(sides.bottom()));
    }

    private static Bands sum(Bands a, Bands b) {
        return new Bands(a.left() + b.left(), a.top() + b.top(), a.right() + b.right(), a.bottom() + b.bottom());
    }

    static PixelSize outerPixels(PaperSize outer, PixelSize sheet, Resolution ppi) {
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

    static boolean isOutgrown(PaperSize outer, PixelSize sheet, Resolution ppi) {
        PixelSize pixels = outerPixels(outer, sheet, ppi);
        return pixels.width() < sheet.width() || pixels.height() < sheet.height();
    }
}
