package embrick.server.counter;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.core.lab.LabProduct;
import embrick.core.lab.Refusal;
import embrick.server.counter.CounterCheck.Checked;
import embrick.server.runs.PieceRow;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** What is told of the counter, of pieces held against its rules, and of orders. */
final class CounterViews {
    private CounterViews() {}

    /** Whether orders can be given. */
    enum CounterState {
        NOT_SET_UP,
        NOT_REACHED,
        CLOSED,
        FULL,
        OPEN
    }

    record CounterProduct(
            @NotNull String id,
            @NotNull String name,
            @NotNull BigDecimal price,
            @NotNull BigDecimal priceOfMore) {
        static CounterProduct of(LabProduct product) {
            return new CounterProduct(product.id(), product.name(), product.price(), product.priceOfMore());
        }
    }

    record CounterView(
            @NotNull CounterState state,
            @Schema(nullable = true) String lab,
            @Schema(nullable = true) String currency,
            @NotNull List<CounterProduct> products) {
        static CounterView without(CounterState state) {
            return new CounterView(state, null, null, List.of());
        }
    }

    record ChosenProduct(@NotNull UUID orderId, @NotNull String product) {}

    /**
     * @param products for orders of the run; those that are not named get the one that fits best
     * @param leftOut orders of the run that are not sent
     */
    record CounterWish(
            @NotNull @Size(max = 200) List<@NotNull @Valid ChosenProduct> products,
            @NotNull @Size(max = 200) List<@NotNull UUID> leftOut) {
        Map<UUID, String> chosen() {
            Map<UUID, String> chosen = new HashMap<>();
            products.forEach(one -> chosen.put(one.orderId(), one.product()));
            return chosen;
        }
    }

    /** @param pieces that are sent; those that would be refused are left out unless they are named here as well */
    record CounterStart(
            @NotNull @Valid CounterWish wish,
            @NotNull @Size(max = 5000) List<@NotNull UUID> pieces) {}

    record CheckedForCounter(
            @NotNull UUID pieceId,
            @NotNull UUID orderId,
            @NotNull UUID originalId,
            @NotNull UUID ticketId,
            @NotNull String name,
            int copies,
            @NotNull String product,
            @NotNull BigDecimal price,
            @NotNull List<Refusal> refusals) {}

    record TicketForCounter(
            @NotNull UUID orderId,
            @NotNull String ticketName,
            int pieces,
            @Schema(nullable = true) String product) {}

    record CounterCheckView(
            @NotNull List<TicketForCounter> tickets,
            @NotNull List<CheckedForCounter> pieces) {}

    record CounterPieceView(
            int number,
            @NotNull UUID pieceId,
            @NotNull UUID originalId,
            @NotNull UUID ticketId,
            @NotNull String name,
            @NotNull String productName,
            int copies,
            long fileBytes,
            long sentBytes,
            @NotNull CounterPiece.State state,
            @NotNull List<Refusal> refusals) {
        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true)
        long bytes() {
            return fileBytes;
        }
    }

    record CounterOrderView(
            @NotNull UUID id,
            @NotNull UUID runId,
            @NotNull UUID jobId,
            @NotNull String reference,
            @NotNull CounterOrder.State state,
            @NotNull BigDecimal price,
            @NotNull String currency,
            @Schema(nullable = true) String trouble,
            @NotNull Instant createdAt,
            @NotNull Instant changedAt,
            @NotNull List<CounterPieceView> pieces) {}

    static CheckedForCounter view(Checked one) {
        PieceRow piece = one.piece();
        return new CheckedForCounter(
                piece.id(),
                piece.orderId(),
                piece.originalId(),
                one.order().ticketId(),
                piece.name(),
                Math.max(1, piece.copies()),
                one.product().id(),
                one.product().priceOf(piece.copies()),
                one.refusals());
    }

    static CounterPieceView view(CounterPiece piece) {
        return new CounterPieceView(
                piece.number(),
                piece.pieceId(),
                piece.originalId(),
                piece.ticketId(),
                piece.name(),
                piece.productName(),
                piece.copies(),
                piece.bytes(),
                piece.sentBytes(),
                piece.state(),
                CounterOrders.refusals(piece));
    }
}
