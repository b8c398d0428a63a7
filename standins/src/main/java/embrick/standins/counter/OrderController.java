package embrick.standins.counter;

import embrick.core.lab.Refusal;
import embrick.standins.common.RefusedException;
import embrick.standins.counter.Behaviour.Door;
import embrick.standins.counter.Order.PieceState;
import embrick.standins.counter.Order.State;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Orders: given once whatever happens to the line, looked at, mended piece by piece, cancelled. */
@RestController
class OrderController {
    private final OrderBook orders;
    private final PartFiles files;
    private final Catalogue catalogue;
    private final BehaviourController behaviour;
    private final Clock clock;

    OrderController(
            OrderBook orders, PartFiles files, Catalogue catalogue, BehaviourController behaviour, Clock clock) {
        this.orders = orders;
        this.files = files;
        this.catalogue = catalogue;
        this.behaviour = behaviour;
        this.clock = clock;
    }

    record CounterView(String lab, Door door, int openOrders) {}

    record WantedPiece(
            @NotBlank @Size(max = 255) String name,
            @NotBlank String product,
            @Min(1) @Max(1000) int copies,
            @Min(1) long bytes,
            @NotNull @Pattern(regexp = "[0-9a-f]{64}") String sha256) {}

    record Wanted(
            @NotBlank @Size(max = 200) String reference,
            @NotNull @Size(min = 1, max = 5000) List<@NotNull @Valid WantedPiece> pieces) {}

    record Replacement(
            @NotBlank @Size(max = 255) String name,
            @Min(1) long bytes,
            @NotNull @Pattern(regexp = "[0-9a-f]{64}") String sha256) {}

    record PieceView(
            int number,
            String name,
            String product,
            int copies,
            int attempt,
            PieceState state,
            String sha256,
            long bytes,
            long received,
            List<Refusal> refusals) {}

    record OrderView(
            String id,
            String reference,
            State state,
            Instant receivedAt,
            BigDecimal price,
            String currency,
            List<PieceView> pieces) {}

    @GetMapping("/")
    CounterView counter() {
        return new CounterView(catalogue.all().lab(), behaviour.now().door(), (int)
                orders.all().stream().filter(order -> !order.state().isOver()).count());
    }

    @GetMapping("/products")
    Catalogue.Products products() {
        return catalogue.all();
    }

    @GetMapping("/orders")
    List<OrderView> all() {
        return orders.all().stream()
                .sorted(Comparator.comparing(Order::receivedAt).reversed())
                .map(this::view)
                .toList();
    }

    /** 201 for a new order, 200 with the order that is there for a key that has been used for the very same. */
    @PostMapping("/orders")
    ResponseEntity<OrderView> give(@RequestHeader("Idempotency-Key") String key, @Valid @RequestBody Wanted wanted) {
        String asked = HexFormat.of()
                .formatHex(PartFiles.sha256().digest(wanted.toString().getBytes(StandardCharsets.UTF_8)));
        synchronized (this) {
            Order known = orders.withKey(key).orElse(null);
            if (known != null) {
                if (!known.asked().equals(asked)) {
                    throw new RefusedException(
                            HttpStatus.CONFLICT, "key-used", "This Idempotency-Key has given another order.");
                }
                return ResponseEntity.ok(view(known));
            }
            if (behaviour.now().door() == Door.FULL) {
                throw new RefusedException(
                        HttpStatus.SERVICE_UNAVAILABLE, "full", "The counter has all the work it can do just now.");
            }
            return ResponseEntity.status(HttpStatus.CREATED).body(view(orders.add(order(key, asked, wanted))));
        }
    }

    private Order order(String key, String asked, Wanted wanted) {
        List<Order.Piece> pieces = new ArrayList<>();
        for (WantedPiece piece : wanted.pieces()) {
            catalogue.get(piece.product());
            pieces.add(new Order.Piece(
                    pieces.size() + 1,
                    piece.name(),
                    piece.product(),
                    piece.copies(),
                    piece.bytes(),
                    piece.sha256(),
                    1,
                    PieceState.AWAITED,
                    List.of()));
        }
        Instant now = clock.instant();
        return priced(new Order(
                UUID.randomUUID().toString(),
                key,
                asked,
                wanted.reference(),
                now,
                State.RECEIVING,
                now,
                BigDecimal.ZERO,
                pieces));
    }

    private Order priced(Order order) {
        return order.costing(order.pieces().stream()
                .filter(piece -> piece.state() != PieceState.WITHDRAWN)
                .map(piece -> catalogue.get(piece.product()).priceOf(piece.copies()))
                .reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    @GetMapping("/orders/{id}")
    OrderView get(@PathVariable String id) {
        return view(orders.get(id));
    }

    /** Another file in the place of one that was refused. */
    @PostMapping("/orders/{id}/pieces/{number}/replacement")
    OrderView replace(@PathVariable String id, @PathVariable int number, @Valid @RequestBody Replacement replacement) {
        requireOpen(id);
        return view(orders.change(id, order -> {
            Order.Piece piece = orders.piece(id, number);
            boolean isThatAlready = piece.sha256().equals(replacement.sha256()) && piece.state() == PieceState.AWAITED;
            if (isThatAlready) {
                return order;
            }
            if (piece.state() != PieceState.REFUSED) {
                throw new RefusedException(
                        HttpStatus.CONFLICT, "not-refused", piece.name() + " is not refused: it stays as it is.");
            }
            return order.with(
                            number,
                            old -> old.replacedBy(replacement.name(), replacement.bytes(), replacement.sha256()))
                    .settled(clock.instant());
        }));
    }

    /** The order goes on without the piece. */
    @DeleteMapping("/orders/{id}/pieces/{number}")
    OrderView withdraw(@PathVariable String id, @PathVariable int number) {
        requireOpen(id);
        orders.piece(id, number);
        return view(orders.change(
                id,
                order -> priced(order.with(number, piece -> piece.in(PieceState.WITHDRAWN, piece.refusals())))
                        .settled(clock.instant())));
    }

    @PostMapping("/orders/{id}/cancel")
    OrderView cancel(@PathVariable String id) {
        return view(orders.change(id, order -> {
            if (order.state() == State.ACCEPTED || order.state() == State.READY) {
                throw new RefusedException(
                        HttpStatus.CONFLICT, "accepted", "The order is accepted and being made: it is too late.");
            }
            return order.in(State.CANCELLED, clock.instant());
        }));
    }

    private void requireOpen(String id) {
        if (orders.get(id).state().isOver()) {
            throw new RefusedException(HttpStatus.CONFLICT, "order-over", "The order is not changed any more.");
        }
    }

    private OrderView view(Order order) {
        return new OrderView(
                order.id(),
                order.reference(),
                order.state(),
                order.receivedAt(),
                order.price(),
                catalogue.all().currency(),
                order.pieces().stream().map(piece -> view(order.id(), piece)).toList());
    }

    private PieceView view(String order, Order.Piece piece) {
        try {
            return new PieceView(
                    piece.number(),
                    piece.name(),
                    piece.product(),
                    piece.copies(),
                    piece.attempt(),
                    piece.state(),
                    piece.sha256(),
                    piece.bytes(),
                    files.received(order, piece),
                    piece.refusals());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
