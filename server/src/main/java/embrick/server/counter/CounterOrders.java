package embrick.server.counter;

import embrick.core.lab.Refusal;
import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.Locks;
import embrick.server.counter.CounterCheck.Checked;
import embrick.server.counter.CounterClient.RemoteOrder;
import embrick.server.counter.CounterClient.RemotePiece;
import embrick.server.problems.ProblemException;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.PieceRow;
import embrick.server.runs.RunInUse;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import embrick.server.runs.RunService;
import embrick.server.storage.Storage;
import java.time.Clock;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What is known of orders at the counter: changed only here, each change whole. */
@Service
@Transactional
class CounterOrders implements RunInUse {
    private static final List<CounterOrder.State> OVER = Arrays.stream(CounterOrder.State.values())
            .filter(CounterOrder.State::isOver)
            .toList();

    private static final JsonMapper JSON = new JsonMapper();

    private final CounterOrderRepository orders;
    private final CounterPieceRepository pieces;
    private final PieceRepository made;
    private final RunOrders runOrders;
    private final RunService runs;
    private final Locks locks;
    private final Clock clock;

    CounterOrders(
            CounterOrderRepository orders,
            CounterPieceRepository pieces,
            PieceRepository made,
            RunOrders runOrders,
            RunService runs,
            Locks locks,
            Clock clock) {
        this.orders = orders;
        this.pieces = pieces;
        this.made = made;
        this.runOrders = runOrders;
        this.runs = runs;
        this.locks = locks;
        this.clock = clock;
    }

    /** An order with its pieces, as it is at one instant. */
    record Whole(CounterOrder order, List<CounterPiece> pieces) {}

    /**
     * Notes an order; it is given to the counter by {@link CounterRound}. The same key makes it once.
     *
     * @throws ProblemException if the key has made another order of this run
     */
    public UUID add(UUID runId, String key, String asked, String reference, String currency, List<Checked> wanted) {
        runs.lock(runId);
        locks.hold(Storage.digestOfText(runId + " counter " + key));
        Optional<CounterOrder> known = orders.findByRunIdAndIdempotencyKey(runId, key);
        if (known.isPresent()) {
            if (!known.get().wasAskedAs(asked)) {
                throw new ProblemException(
                        HttpStatus.CONFLICT,
                        "idempotency-key-used",
                        "Idempotency-Key",
                        "This Idempotency-Key has made another order of this run.",
                        "Use a new key for a new order.");
            }
            return known.get().id();
        }
        CounterOrder order = new CounterOrder(Ids.next(), runId, key, asked, reference, currency, clock.instant());
        order.price(CounterCheck.price(wanted));
        orders.saveAndFlush(order);
        int number = 0;
        for (Checked one : wanted) {
            number++;
            pieces.save(new CounterPiece(
                    new CounterPiece.Key(order.id(), number),
                    one.order().ticketId(),
                    one.piece(),
                    one.product().id(),
                    one.product().name()));
        }
        return order.id();
    }

    @Transactional(readOnly = true)
    public Whole get(UUID id) {
        return find(id).orElseThrow(() -> ProblemException.notFound("order at the counter"));
    }

    @Transactional(readOnly = true)
    public Optional<Whole> find(UUID id) {
        return orders.findById(id).map(order -> new Whole(order, pieces.ofOrder(id)));
    }

    @Transactional(readOnly = true)
    public List<Whole> ofRun(UUID runId) {
        return orders.findByRunIdOrderByCreatedAtDesc(runId).stream()
                .map(order -> new Whole(order, pieces.ofOrder(order.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<Whole> latest() {
        return orders.findTop50ByOrderByCreatedAtDesc().stream()
                .map(order -> new Whole(order, pieces.ofOrder(order.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<UUID> open() {
        return orders.findByStateNotInOrderByCreatedAt(OVER).stream()
                .map(CounterOrder::id)
                .toList();
    }

    /** Files that the counter may still ask for stay; and an order that it still has is not forgotten here. */
    @Override
    @Transactional(readOnly = true)
    public List<Problem> uses(Collection<UUID> runIds, Ending ending) {
        return runIds.stream()
                .flatMap(runId -> orders.findByRunIdOrderByCreatedAtDesc(runId).stream())
                .filter(order -> isOpen(order, ending))
                .map(order -> new Problem(
                        "run-ordered",
                        "run",
                        ending == Ending.CLEARED
                                ? "Pieces of this run are ordered at the counter, which has not accepted them yet."
                                : "Pieces of it are ordered at the counter, and the order “" + order.reference()
                                        + "” is still open there.",
                        ending == Ending.CLEARED
                                ? "Wait until it has, or cancel the order; then clear it."
                                : "Wait until the order has been handed over, or cancel it; then delete it."))
                .toList();
    }

    private static boolean isOpen(CounterOrder order, Ending ending) {
        return !order.state().isOver() && (ending == Ending.REMOVED || order.state() != CounterOrder.State.ACCEPTED);
    }

    /**
     * Takes over what the counter says. What somebody has cancelled here meanwhile stays so, and what it says of another file
     * than the one noted here is not said of this one: a replacement is known there a moment before it is known here.
     */
    public void follow(UUID id, RemoteOrder remote) {
        CounterOrder order = orders.findToChange(id).orElseThrow();
        if (order.state().isOver()) {
            return;
        }
        order.follow(remote.id(), remote.state(), remote.price(), clock.instant());
        Map<Integer, RemotePiece> known =
                remote.pieces().stream().collect(Collectors.toMap(RemotePiece::number, Function.identity()));
        for (CounterPiece piece : pieces.ofOrder(id)) {
            RemotePiece there = known.get(piece.number());
            if (there != null && there.sha256().equals(piece.sha256())) {
                piece.follow(there.state(), there.received(), JSON.writeValueAsString(there.refusals()));
            }
        }
    }

    public void noteSent(UUID id, int number, long bytes) {
        pieces.findById(new CounterPiece.Key(id, number)).ifPresent(piece -> piece.noteSent(bytes));
    }

    public void hinder(UUID id, String why) {
        orders.findToChange(id).filter(order -> !order.state().isOver()).ifPresent(order -> order.hinder(why));
    }

    public void fail(UUID id, String why) {
        orders.findToChange(id)
                .filter(order -> !order.state().isOver())
                .ifPresent(order -> order.fail(why, clock.instant()));
    }

    public void cancel(UUID id) {
        orders.findToChange(id)
                .filter(order -> !order.state().isOver())
                .ifPresent(order -> order.cancel(clock.instant()));
    }

    /** Takes another piece's file for one in an order. */
    public void take(UUID id, int number, PieceRow other) {
        pieces.findById(new CounterPiece.Key(id, number)).orElseThrow().take(other);
    }

    /**
     * The newest checked piece of the same picture by the same ticket that is not the file that was refused.
     *
     * @throws ProblemException if nothing newer was made
     */
    @Transactional(readOnly = true)
    public PieceRow newer(CounterPiece refused) {
        return made.rowsOfOriginal(refused.originalId()).stream()
                .filter(row -> row.state() == Piece.State.CHECKED)
                .filter(row -> !row.digest().orElse("").equals(refused.sha256()))
                .filter(row -> order(row).ticketId().equals(refused.ticketId()))
                .findFirst()
                .orElseThrow(() -> new ProblemException(
                        HttpStatus.CONFLICT,
                        "nothing-newer",
                        refused.name(),
                        "No other file has been made of " + refused.name() + " since the counter refused it.",
                        "Change its ticket or its framing, run it again, and send it then."));
    }

    private RunOrder order(PieceRow row) {
        return runOrders.get(row.orderId());
    }

    static List<Refusal> refusals(CounterPiece piece) {
        return JSON.readValue(piece.refusals(), new TypeReference<>() {});
    }
}
