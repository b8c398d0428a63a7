package embrick.server.counter;

import embrick.core.lab.Refusal;
import embrick.core.problem.Problem;
import embrick.server.counter.CounterCheck.Checked;
import embrick.server.counter.CounterClient.Counter;
import embrick.server.counter.CounterClient.Products;
import embrick.server.counter.CounterOrders.Whole;
import embrick.server.counter.CounterViews.CounterCheckView;
import embrick.server.counter.CounterViews.CounterOrderView;
import embrick.server.counter.CounterViews.CounterProduct;
import embrick.server.counter.CounterViews.CounterStart;
import embrick.server.counter.CounterViews.CounterState;
import embrick.server.counter.CounterViews.CounterView;
import embrick.server.counter.CounterViews.CounterWish;
import embrick.server.counter.CounterViews.TicketForCounter;
import embrick.server.documents.StoredJson;
import embrick.server.outside.OutsideRefusedException;
import embrick.server.problems.ProblemException;
import embrick.server.runs.PieceRow;
import embrick.server.runs.Run;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import embrick.server.runs.RunService;
import embrick.server.storage.Storage;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The counter, and the orders that were given to it. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1")
class CounterController {
    private final CounterClient client;
    private final CounterCheck check;
    private final CounterOrders orders;
    private final CounterWatch watch;
    private final RunService runs;
    private final RunOrders runOrders;
    private final StoredJson json;

    CounterController(
            CounterClient client,
            CounterCheck check,
            CounterOrders orders,
            CounterWatch watch,
            RunService runs,
            RunOrders runOrders,
            StoredJson json) {
        this.client = client;
        this.check = check;
        this.orders = orders;
        this.watch = watch;
        this.runs = runs;
        this.runOrders = runOrders;
        this.json = json;
    }

    @GetMapping("/counter")
    CounterView getCounter() {
        if (!client.isSetUp()) {
            return CounterView.without(CounterState.NOT_SET_UP);
        }
        try {
            Counter counter = client.counter();
            Products products = client.products();
            return new CounterView(
                    counter.door() == CounterClient.Door.FULL ? CounterState.FULL : CounterState.OPEN,
                    products.lab(),
                    products.currency(),
                    products.products().stream().map(CounterProduct::of).toList());
        } catch (OutsideRefusedException closed) {
            return CounterView.without(CounterState.CLOSED);
        } catch (IOException away) {
            return CounterView.without(CounterState.NOT_REACHED);
        }
    }

    @PostMapping("/runs/{runId}/counter-orders/check")
    CounterCheckView checkForCounter(@PathVariable UUID runId, @Valid @RequestBody CounterWish wish) {
        runs.get(runId);
        List<Checked> checked = checked(runId, products(), wish);
        return new CounterCheckView(
                runOrders.of(runId).stream()
                        .map(order -> ticket(order, checked))
                        .toList(),
                checked.stream().map(CounterViews::view).toList());
    }

    private List<Checked> checked(UUID runId, Products products, CounterWish wish) {
        return check.check(runId, products.products(), wish.chosen(), wish.leftOut());
    }

    private TicketForCounter ticket(RunOrder order, List<Checked> checked) {
        List<Checked> own = checked.stream()
                .filter(one -> one.order().id().equals(order.id()))
                .toList();
        return new TicketForCounter(
                order.id(),
                json.ticket(order.ticketDocument()).name(),
                own.size(),
                own.isEmpty() ? null : own.getFirst().product().id());
    }

    @PostMapping("/runs/{runId}/counter-orders")
    CounterOrderView orderAtCounter(
            @PathVariable UUID runId,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody CounterStart start) {
        Run run = runs.get(runId);
        Products products = products();
        List<Checked> wanted = checked(runId, products, start.wish()).stream()
                .filter(one -> start.pieces().contains(one.piece().id()))
                .toList();
        requireWhole(wanted);
        UUID id = orders.add(
                runId, key, Storage.digestOfText(start.toString()), reference(run), products.currency(), wanted);
        watch.wake(id);
        return view(orders.get(id));
    }

    private static void requireWhole(List<Checked> wanted) {
        if (wanted.isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-to-order",
                    "pieces",
                    "No finished piece is chosen.",
                    "Choose pieces that are to be ordered.");
        }
        List<Problem> lost = wanted.stream()
                .filter(one -> one.refusals().stream().anyMatch(refusal -> refusal.rule() == Refusal.Rule.WHOLE))
                .map(one -> new Problem(
                        "piece-lost",
                        one.piece().name(),
                        one.piece().name() + " is no longer in its folder as it was checked.",
                        "Make it again from its delivery, or leave it out."))
                .toList();
        if (!lost.isEmpty()) {
            throw new ProblemException(HttpStatus.CONFLICT, lost);
        }
    }

    private String reference(Run run) {
        String folder = runOrders.of(run.id()).getFirst().folder();
        return folder.length() > 200 ? folder.substring(folder.length() - 200) : folder;
    }

    @GetMapping("/runs/{runId}/counter-orders")
    List<CounterOrderView> listCounterOrdersOfRun(@PathVariable UUID runId) {
        runs.get(runId);
        return orders.ofRun(runId).stream().map(this::view).toList();
    }

    @GetMapping("/counter-orders")
    List<CounterOrderView> listCounterOrders() {
        return orders.latest().stream().map(this::view).toList();
    }

    /** Sends the newest other file that was made of a refused piece's picture by its ticket. */
    @PostMapping("/counter-orders/{id}/pieces/{number}/replacement")
    CounterOrderView replaceAtCounter(@PathVariable UUID id, @PathVariable int number) {
        Whole whole = orders.get(id);
        CounterPiece piece = piece(whole, number);
        PieceRow newer = orders.newer(piece);
        follow(
                id,
                () -> client.replace(
                        remote(whole),
                        number,
                        new CounterClient.Replacement(
                                newer.name(),
                                newer.fileBytes().orElseThrow(),
                                newer.digest().orElseThrow())),
                () -> orders.take(id, number, newer));
        return view(orders.get(id));
    }

    /** The order goes on without the piece. */
    @DeleteMapping("/counter-orders/{id}/pieces/{number}")
    CounterOrderView withdrawAtCounter(@PathVariable UUID id, @PathVariable int number) {
        Whole whole = orders.get(id);
        piece(whole, number);
        follow(id, () -> client.withdraw(remote(whole), number), () -> {});
        return view(orders.get(id));
    }

    @PostMapping("/counter-orders/{id}/cancel")
    CounterOrderView cancelAtCounter(@PathVariable UUID id) {
        Whole whole = orders.get(id);
        if (whole.order().remoteId().isPresent() && !whole.order().state().isOver()) {
            follow(id, () -> client.cancel(remote(whole)), () -> {});
        } else {
            orders.cancel(id);
        }
        return view(orders.get(id));
    }

    /** Does something at the counter, then here. Both may be done again. */
    private void follow(UUID id, AtCounter there, Runnable here) {
        try {
            CounterClient.RemoteOrder remote = there.ask();
            here.run();
            orders.follow(id, remote);
        } catch (OutsideRefusedException refused) {
            throw new ProblemException(
                    refused.isForNow() ? HttpStatus.SERVICE_UNAVAILABLE : HttpStatus.CONFLICT,
                    "counter-refused",
                    "counter",
                    refused.getMessage(),
                    refused.isForNow() ? "Try again later." : "Look at the order again: it may have changed.");
        } catch (IOException away) {
            throw away();
        }
        watch.wake(id);
    }

    private interface AtCounter {
        CounterClient.RemoteOrder ask() throws IOException;
    }

    private static String remote(Whole whole) {
        return whole.order()
                .remoteId()
                .orElseThrow(() -> new ProblemException(
                        HttpStatus.CONFLICT,
                        "not-given-yet",
                        "order",
                        "The counter does not have this order yet.",
                        "Wait until it does, or cancel the order."));
    }

    private static CounterPiece piece(Whole whole, int number) {
        return whole.pieces().stream()
                .filter(piece -> piece.number() == number)
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("piece in this order"));
    }

    private Products products() {
        if (!client.isSetUp()) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "no-counter",
                    "counter",
                    "No counter is set up.",
                    "Set EMBRICK_COUNTER to its address and start Embrick again.");
        }
        try {
            return client.products();
        } catch (OutsideRefusedException closed) {
            throw new ProblemException(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "counter-closed",
                    "counter",
                    closed.getMessage(),
                    "Try again when it is open.");
        } catch (IOException unreachable) {
            throw away();
        }
    }

    private static ProblemException away() {
        return new ProblemException(
                HttpStatus.SERVICE_UNAVAILABLE,
                "counter-away",
                "counter",
                "The counter cannot be reached.",
                "See that it runs and that EMBRICK_COUNTER is its address, then try again.");
    }

    private CounterOrderView view(Whole whole) {
        CounterOrder order = whole.order();
        return new CounterOrderView(
                order.id(),
                order.runId(),
                runs.get(order.runId()).jobId(),
                order.reference(),
                order.state(),
                order.price(),
                order.currency(),
                order.trouble().orElse(null),
                order.createdAt(),
                order.changedAt(),
                whole.pieces().stream().map(CounterViews::view).toList());
    }
}
