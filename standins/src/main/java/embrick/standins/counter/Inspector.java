package embrick.standins.counter;

import embrick.core.lab.LabCheck;
import embrick.core.lab.Refusal;
import embrick.core.lab.Refusal.Rule;
import embrick.formats.Formats;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.standins.counter.Order.Piece;
import embrick.standins.counter.Order.PieceState;
import embrick.standins.counter.Order.State;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Somebody at the counter who looks at the pieces of an order, and later has them printed. */
@Component
class Inspector {
    private static final Logger LOG = LoggerFactory.getLogger(Inspector.class);
    private static final long EVERY_MILLIS = 200;

    private final OrderBook orders;
    private final PartFiles files;
    private final Catalogue catalogue;
    private final BehaviourController behaviour;
    private final Clock clock;
    private final Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);
    private final ScheduledExecutorService round = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("inspector").factory());

    Inspector(OrderBook orders, PartFiles files, Catalogue catalogue, BehaviourController behaviour, Clock clock) {
        this.orders = orders;
        this.files = files;
        this.catalogue = catalogue;
        this.behaviour = behaviour;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        round.scheduleWithFixedDelay(this::lookAtAll, EVERY_MILLIS, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void end() {
        round.shutdownNow();
    }

    private void lookAtAll() {
        for (Order order : orders.all()) {
            try {
                look(order);
            } catch (RuntimeException failed) {
                LOG.error("order {} is looked at again", order.id(), failed);
            }
        }
    }

    private void look(Order order) {
        Duration waited = Duration.between(order.since(), clock.instant());
        Behaviour now = behaviour.now();
        if (order.state() == State.INSPECTING && waited.toMillis() >= now.inspectionMillis()) {
            order.pieces().stream()
                    .filter(piece -> piece.state() == PieceState.RECEIVED)
                    .forEach(piece -> judge(order.id(), piece));
            orders.change(order.id(), looked -> looked.settled(clock.instant()));
        }
        if (order.state() == State.ACCEPTED && waited.toMillis() >= now.printingMillis()) {
            orders.change(order.id(), accepted -> accepted.in(State.READY, clock.instant()));
        }
    }

    private void judge(String id, Piece piece) {
        List<Refusal> refusals = refusals(files.file(id, piece), piece);
        orders.change(
                id,
                order -> order.with(
                        piece.number(),
                        old -> old.state() == PieceState.RECEIVED
                                ? old.in(refusals.isEmpty() ? PieceState.ACCEPTED : PieceState.REFUSED, refusals)
                                : old));
    }

    private List<Refusal> refusals(Path file, Piece piece) {
        try {
            List<Refusal> byRule = LabCheck.refusals(formats.inspect(file), catalogue.get(piece.product()));
            if (byRule.isEmpty()) {
                formats.open(file).close();
            }
            return byRule;
        } catch (IOException unreadable) {
            return List.of(new Refusal(Rule.WHOLE, "a picture that can be read to its end", unreadable.getMessage()));
        }
    }
}
