package embrick.server.counter;

import embrick.core.lab.LabCheck;
import embrick.core.lab.LabProduct;
import embrick.core.lab.Refusal;
import embrick.core.lab.Refusal.Rule;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.server.problems.ProblemException;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.PieceRow;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Holds the pieces of a run against the counter's own rules before anything is sent: by the very files that would be sent. */
@Component
class CounterCheck {
    private final PieceRepository pieces;
    private final RunOrders orders;
    private final DeliveredFiles files;
    private final Formats formats;

    CounterCheck(PieceRepository pieces, RunOrders orders, DeliveredFiles files, Formats formats) {
        this.pieces = pieces;
        this.orders = orders;
        this.files = files;
        this.formats = formats;
    }

    /** @param refusals by the counter's rules; empty if it will be taken */
    record Checked(RunOrder order, PieceRow piece, LabProduct product, List<Refusal> refusals) {}

    /**
     * @param runId whose checked pieces are held against a product each
     * @param chosen products by the run's orders; an order that is not in it gets the product that refuses fewest of its
     *     pieces, and those for fewest reasons; the cheaper of two
     * @param leftOut orders whose pieces are not sent
     */
    List<Checked> check(UUID runId, List<LabProduct> products, Map<UUID, String> chosen, List<UUID> leftOut) {
        List<PieceRow> rows = pieces.rows(runId).stream()
                .filter(piece -> piece.state() == Piece.State.CHECKED)
                .toList();
        List<Checked> all = new ArrayList<>();
        for (RunOrder order : orders.of(runId)) {
            List<PieceRow> own = rows.stream()
                    .filter(piece -> piece.orderId().equals(order.id()))
                    .toList();
            if (leftOut.contains(order.id()) || own.isEmpty()) {
                continue;
            }
            Map<UUID, Found> found = new HashMap<>();
            own.forEach(piece -> found.put(piece.id(), look(piece)));
            all.addAll(
                    chosen.containsKey(order.id())
                            ? held(order, own, found, product(products, chosen.get(order.id())))
                            : fitting(order, own, found, products));
        }
        return all;
    }

    private List<Checked> fitting(
            RunOrder order, List<PieceRow> own, Map<UUID, Found> found, List<LabProduct> products) {
        return products.stream()
                .map(product -> held(order, own, found, product))
                .min(Comparator.<List<Checked>>comparingLong(CounterCheck::refused)
                        .thenComparingLong(CounterCheck::refusals)
                        .thenComparing(CounterCheck::price))
                .orElseThrow(() -> ProblemException.invalid(
                        "no-products", "counter", "The counter makes nothing at the moment.", "Try again later."));
    }

    private static List<Checked> held(RunOrder order, List<PieceRow> own, Map<UUID, Found> found, LabProduct product) {
        return own.stream()
                .map(piece ->
                        new Checked(order, piece, product, found.get(piece.id()).refusals(product)))
                .toList();
    }

    private static long refused(List<Checked> all) {
        return all.stream().filter(one -> !one.refusals().isEmpty()).count();
    }

    private static long refusals(List<Checked> all) {
        return all.stream().mapToLong(one -> one.refusals().size()).sum();
    }

    static BigDecimal price(List<Checked> all) {
        return all.stream()
                .map(one -> one.product().priceOf(one.piece().copies()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    static LabProduct product(List<LabProduct> products, String id) {
        return products.stream()
                .filter(product -> product.id().equals(id))
                .findFirst()
                .orElseThrow(() -> ProblemException.invalid(
                        "no-such-product",
                        "product",
                        "The counter has no product “" + id + "”.",
                        "Load the page again, and choose one of its products."));
    }

    /** What a piece's file says of itself, or why it cannot be taken whatever the product. */
    private record Found(Optional<SourceFacts> facts, Optional<Refusal> unreadable) {
        List<Refusal> refusals(LabProduct product) {
            return unreadable.map(List::of).orElseGet(() -> LabCheck.refusals(facts.orElseThrow(), product));
        }
    }

    private Found look(PieceRow piece) {
        if (!files.isIntact(piece)) {
            return new Found(
                    Optional.empty(),
                    Optional.of(new Refusal(Rule.WHOLE, "the file that was checked", "it is gone or was changed")));
        }
        try {
            return new Found(Optional.of(formats.inspect(files.place(piece))), Optional.empty());
        } catch (IOException noPicture) {
            String type =
                    piece.name().substring(piece.name().lastIndexOf('.') + 1).toUpperCase(java.util.Locale.ROOT);
            return new Found(
                    Optional.empty(), Optional.of(new Refusal(Rule.FILE_TYPE, "a file that the counter reads", type)));
        }
    }
}
