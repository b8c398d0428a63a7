package embrick.server.deliveries;

import embrick.core.units.Length;
import embrick.server.documents.LengthDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocument.SizeDocument.OnPaper;
import embrick.server.originals.Original;
import embrick.server.originals.Originals;
import embrick.server.problems.ProblemException;
import embrick.server.runs.PieceRow;
import embrick.server.runs.Run;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import embrick.server.runs.RunStart;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.ObjectNode;

/** Makes a delivered piece again on a larger sheet of the same shape, by the ticket it was made by, however long ago. */
@Service
class LargerPieces {
    private static final int LONGEST_NAME = 120;

    /** Digits after the point of a side that is worked out. */
    private static final int DIGITS = 3;

    private final Deliveries deliveries;
    private final RunOrders orders;
    private final Originals originals;
    private final TicketService tickets;
    private final RunStart starts;
    private final StoredJson json;

    LargerPieces(
            Deliveries deliveries,
            RunOrders orders,
            Originals originals,
            TicketService tickets,
            RunStart starts,
            StoredJson json) {
        this.deliveries = deliveries;
        this.orders = orders;
        this.originals = originals;
        this.tickets = tickets;
        this.starts = starts;
        this.json = json;
    }

    /** The ticket that was added for it, switched off so that runs of the whole job stay as they are, and its run. */
    record Started(UUID jobId, UUID ticketId, UUID runId) {}

    /**
     * Adds a ticket of the larger size to the job and runs it for this picture alone. Its framing is that of the shape, which
     * stays the same.
     *
     * @throws ProblemException if the piece was not printed on paper, the size is not larger, or its original is gone
     */
    @Transactional
    public Started make(UUID pieceId, LengthDocument longSide) {
        PieceRow piece = deliveries.checkedPiece(pieceId);
        RunOrder order = orders.get(piece.orderId());
        Original original = originals.get(piece.originalId());
        TicketDocument was = json.ticket(order.ticketDocument());
        if (!(was.size() instanceof OnPaper paper)) {
            throw ProblemException.invalid(
                    "not-on-paper",
                    "size",
                    piece.name() + " was not made for a sheet of a size in inches or millimetres.",
                    "Change a ticket's size instead, and run this picture.");
        }
        TicketEntity ticket = addSwitchedOff(original.jobId(), larger(order, was, paper, longSide));
        Run run = starts.startTicket(
                ticket.id(), Optional.of(List.of(original.id())), Optional.empty(), false, Optional.empty());
        return new Started(original.jobId(), ticket.id(), run.id());
    }

    private TicketDocument larger(RunOrder order, TicketDocument was, OnPaper paper, LengthDocument longSide) {
        Length before = paper.width().toLength().compareTo(paper.height().toLength()) >= 0
                ? paper.width().toLength()
                : paper.height().toLength();
        Length after = longSide.toLength();
        if (after.compareTo(before) <= 0) {
            throw ProblemException.invalid(
                    "not-larger", "longSide", "The longer side is not larger than it was.", "Choose a larger one.");
        }
        BigDecimal width = scaled(paper.width(), before, longSide);
        BigDecimal height = scaled(paper.height(), before, longSide);
        ObjectNode tree = json.presentTicket(order.ticketDocument());
        ObjectNode size = tree.putObject("size").put("kind", "paper");
        size.putObject("width").put("value", width).put("unit", longSide.unit().name());
        size.putObject("height")
                .put("value", height)
                .put("unit", longSide.unit().name());
        String words = width.toPlainString() + " × " + height.toPlainString() + " "
                + longSide.unit().name().toLowerCase(Locale.ROOT);
        tree.put("name", ending(was.name(), ", " + words));
        tree.put("folder", ending(was.folder(), "-larger"));
        // What a product asks of a size holds no longer.
        tree.putNull("product");
        return json.ticket(tree.toString());
    }

    /** A side in the unit that was asked for: the same share of the long one as before. */
    private static BigDecimal scaled(LengthDocument side, Length before, LengthDocument longSide) {
        BigDecimal value = longSide.value()
                .multiply(BigDecimal.valueOf(side.toLength().parts()))
                .divide(BigDecimal.valueOf(before.parts()), DIGITS, RoundingMode.HALF_EVEN)
                .stripTrailingZeros();
        return value.scale() < 0 ? value.setScale(0) : value;
    }

    private static String ending(String text, String end) {
        return text.substring(0, Math.min(text.length(), LONGEST_NAME - end.length())) + end;
    }

    private TicketEntity addSwitchedOff(UUID jobId, TicketDocument document) {
        TicketEntity added = tickets.add(jobId, document);
        List<TicketService.Placed> placed = new ArrayList<>();
        for (TicketEntity ticket : tickets.of(jobId)) {
            placed.add(new TicketService.Placed(
                    ticket.id(), ticket.isOn() && !ticket.id().equals(added.id())));
        }
        tickets.arrange(jobId, placed);
        return added;
    }
}
