package embrick.core.plan;

import embrick.core.colour.PaperColour;
import embrick.core.edge.CaptionLine;
import embrick.core.edge.Marking;
import embrick.core.edge.Stamp;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** From a ticket's mark to stamps on the pixels. The distances are Embrick's rule. */
final class MarkRule {
    /** What is left free between a mark and the picture's edge, of its short side. */
    private static final double MARGIN = 0.03;
    /** By how much the marks of a tiled one are turned. */
    private static final double TILED_DEGREES = 30;
    /** Of the em: from one row of a tiled mark to the next. */
    private static final double ROWS_APART = 5;

    private static final double GAP = 3;
    private static final int MOST_TILES = 1500;

    private final Mark mark;
    private final Optional<CaptionText> words;
    private final PixelRect place;
    private final double em;
    private final double length;

    private MarkRule(Mark mark, Optional<CaptionText> words, PixelRect place) {
        this.mark = mark;
        this.words = words;
        this.place = place;
        this.em = Math.min(place.width(), place.height()) * mark.sizePercent() / 100.0;
        this.length = em
                * switch (mark.content()) {
                    case Mark.Content.Words _ -> required(words).widthEm();
                    case Mark.Content.Stencil stencil ->
                        (double) stencil.size().width() / stencil.size().height();
                };
    }

    /** @param place of what is seen of the picture, on the total */
    static Optional<Marking> marking(Ticket ticket, Optional<CaptionText> words, PixelRect place) {
        return ticket.mark().map(mark -> new MarkRule(mark, words, place).marking());
    }

    static List<Problem> problems(Ticket ticket, Optional<CaptionText> words, PixelRect place) {
        return ticket.mark()
                .map(mark -> new MarkRule(mark, words, place).problems())
                .orElse(List.of());
    }

    private static CaptionText required(Optional<CaptionText> words) {
        return words.orElseThrow(() -> new IllegalArgumentException("mark: expected its words measured, got none"));
    }

    private List<Problem> problems() {
        Optional<CaptionText> unknown = words.filter(said -> !said.missing().isEmpty());
        if (unknown.isPresent()) {
            return List.of(problem(
                    "mark-characters",
                    "characters that the mark's font has: Latin, Greek and Cyrillic",
                    "“" + unknown.get().missing() + "” in “" + unknown.get().text() + "”",
                    "Use other words."));
        }
        double radians = Math.toRadians(degrees());
        double wide = length * Math.cos(radians) + em * Math.sin(radians);
        double high = length * Math.sin(radians) + em * Math.cos(radians);
        boolean fits = wide + 2 * margin() <= place.width() && high + 2 * margin() <= place.height();
        if (mark.place() == Mark.Place.TILED || fits) {
            return List.of();
        }
        return List.of(problem(
                "mark-too-large",
                "a mark that fits on the picture, " + place.width() + " × " + place.height() + " px",
                Math.round(wide) + " × " + Math.round(high) + " px",
                "Make it smaller, or use fewer words."));
    }

    private static Problem problem(String code, String expected, String actual, String remedy) {
        return Problem.of(code, "mark", expected, actual, remedy);
    }

    private double margin() {
        return MARGIN * Math.min(place.width(), place.height());
    }

    private double degrees() {
        return switch (mark.place()) {
            case ACROSS -> Math.toDegrees(Math.atan2(place.height(), place.width()));
            case TILED -> TILED_DEGREES;
            default -> 0;
        };
    }

    private Marking marking() {
        List<Stamp> stamps = mark.place() == Mark.Place.TILED ? tiles() : List.of(anchored());
        return new Marking(stamps, degrees(), mark.strengthPercent() / 100.0);
    }

    private Stamp anchored() {
        double x = mark.place().anchor().x();
        double y = mark.place().anchor().y();
        double freeWidth = place.width() - 2 * margin() - length;
        double freeHeight = place.height() - 2 * margin() - em;
        return stamp(place.x() + margin() + freeWidth * x + length / 2, place.y() + margin() + freeHeight * y + em / 2);
    }

    /** Rows that each begin half a mark further than the one above, so that no strip of the picture stays free. */
    private List<Stamp> tiles() {
        double across = length + GAP * em;
        double down = ROWS_APART * em;
        double count = (place.width() / across + 1) * (place.height() / down + 1);
        double apart = Math.max(1, Math.sqrt(count / MOST_TILES));
        List<Stamp> stamps = new ArrayList<>();
        int row = 0;
        for (double y = down / 4; y < place.height() + em; y += down * apart, row++) {
            for (double x = row % 2 == 0 ? 0 : across / 2; x < place.width() + length / 2; x += across * apart) {
                stamps.add(stamp(place.x() + x, place.y() + y));
            }
        }
        return stamps;
    }

    private Stamp stamp(double middleX, double middleY) {
        return switch (mark.content()) {
            case Mark.Content.Words said ->
                new Stamp.Words(new CaptionLine(
                        said.text(), em, middleX, middleY + CaptionText.HALF_SMALL_LETTER * em, PaperColour.WHITE));
            case Mark.Content.Stencil stencil -> new Stamp.Figure(stencil.digest(), middleX, middleY, length, em);
        };
    }
}
