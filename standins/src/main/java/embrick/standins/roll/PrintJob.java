package embrick.standins.roll;

import embrick.standins.roll.JobTicket.Piece;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A job as the printer keeps it.
 *
 * @param asked a digest of the ticket that was sent under the key
 * @param printed numbers of the pieces that are whole on paper
 * @param stretches what lies on paper, in the order it was printed; the last may be under way
 */
record PrintJob(
        String id,
        String key,
        String asked,
        JobTicket ticket,
        Instant receivedAt,
        State state,
        Set<Integer> printed,
        List<Stretch> stretches) {
    /** Paper before and after what is printed of a page that is begun again, in millimetres. */
    private static final double LEAD = 5;

    /** How far it is. */
    enum State {
        /** Its PDF is missing. */
        RECEIVING,
        QUEUED,
        PRINTING,
        DONE,
        CANCELLED;

        boolean isOver() {
            return this == DONE || this == CANCELLED;
        }
    }

    /** Why a stretch ends where it does. */
    enum End {
        /** It is under way. */
        NONE,
        PAGE,
        PAPER,
        JAM,
        CANCELLED
    }

    /**
     * @param number counted from 1
     * @param page counted from 0
     * @param roll the number of the roll that it is on
     * @param from the page's millimetres that it begins at
     * @param until where it is to end, if nothing happens
     * @param at how far it is
     * @param without pieces that were on paper before it: their places stay bare
     * @param whole pieces that are whole on it
     */
    record Stretch(
            int number,
            int page,
            int roll,
            double from,
            double until,
            double at,
            End end,
            Set<Integer> without,
            Set<Integer> whole) {
        boolean isOpen() {
            return end == End.NONE;
        }
    }

    PrintJob in(State next) {
        return new PrintJob(id, key, asked, ticket, receivedAt, next, printed, stretches);
    }

    Optional<Stretch> open() {
        return stretches.isEmpty() || !stretches.getLast().isOpen()
                ? Optional.empty()
                : Optional.of(stretches.getLast());
    }

    /** Numbers of the pieces that are whole on paper at this instant, also on the stretch that is under way. */
    Set<Integer> wholeNow() {
        return open().isEmpty() ? printed : ended(End.PAGE).printed();
    }

    private List<Piece> missing(int page) {
        return ticket.pages().get(page).pieces().stream()
                .filter(piece -> !printed.contains(piece.number()))
                .toList();
    }

    /** What is to be printed next of a page, and from where to where of it. */
    private record Next(int page, List<Piece> pieces, double from, double until) {}

    private Optional<Next> next() {
        for (int page = 0; page < ticket.pages().size(); page++) {
            List<Piece> missing = missing(page);
            if (!missing.isEmpty()) {
                boolean isAll =
                        missing.size() == ticket.pages().get(page).pieces().size();
                double length = ticket.pages().get(page).length();
                double first = missing.stream().mapToDouble(Piece::y).min().orElseThrow();
                double last = missing.stream().mapToDouble(Piece::end).max().orElseThrow();
                return Optional.of(new Next(
                        page,
                        missing,
                        isAll ? 0 : Math.max(0, first - LEAD),
                        isAll ? length : Math.min(length, last + LEAD)));
            }
        }
        return Optional.empty();
    }

    /** Millimetres of paper that a new stretch takes at least before one more piece is whole; 0 once all are. */
    double needed() {
        return next().map(next ->
                        next.pieces().stream().mapToDouble(Piece::end).min().orElseThrow() - next.from())
                .orElse(0.0);
    }

    /** With a new stretch on a roll: from the first piece on that is not whole on paper. Empty once all are. */
    Optional<PrintJob> begun(int roll) {
        return next().map(next -> {
            List<Stretch> all = new ArrayList<>(stretches);
            all.add(new Stretch(
                    stretches.size() + 1,
                    next.page(),
                    roll,
                    next.from(),
                    next.until(),
                    next.from(),
                    End.NONE,
                    printed,
                    Set.of()));
            return new PrintJob(id, key, asked, ticket, receivedAt, State.PRINTING, printed, List.copyOf(all));
        });
    }

    /** Further along the stretch that is under way. */
    PrintJob advanced(double by) {
        Stretch last = stretches.getLast();
        return with(
                printed,
                new Stretch(
                        last.number(),
                        last.page(),
                        last.roll(),
                        last.from(),
                        last.until(),
                        last.at() + by,
                        last.end(),
                        last.without(),
                        last.whole()));
    }

    /** The stretch ends where it is: what lies on it to its end is printed, what was cut through is not. */
    PrintJob ended(End why) {
        Stretch last = stretches.getLast();
        Set<Integer> whole = new HashSet<>();
        for (Piece piece : missing(last.page())) {
            if (piece.y() >= last.from() && piece.end() <= last.at() + 1e-6) {
                whole.add(piece.number());
            }
        }
        Set<Integer> all = new HashSet<>(printed);
        all.addAll(whole);
        return with(
                Set.copyOf(all),
                new Stretch(
                        last.number(),
                        last.page(),
                        last.roll(),
                        last.from(),
                        last.until(),
                        last.at(),
                        why,
                        last.without(),
                        Set.copyOf(whole)));
    }

    private PrintJob with(Set<Integer> nowPrinted, Stretch last) {
        List<Stretch> all = new ArrayList<>(stretches);
        all.set(all.size() - 1, last);
        return new PrintJob(id, key, asked, ticket, receivedAt, state, nowPrinted, List.copyOf(all));
    }

    /** How much of a stretch of paper, across it, pieces are printed on: mm² over the next millimetres. */
    double inked(double length) {
        Stretch last = stretches.getLast();
        double end = last.at() + length;
        return missing(last.page()).stream()
                .mapToDouble(piece ->
                        piece.width() * Math.max(0, Math.min(end, piece.end()) - Math.max(last.at(), piece.y())))
                .sum();
    }
}
