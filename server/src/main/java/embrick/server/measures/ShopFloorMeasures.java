package embrick.server.measures;

import embrick.server.storage.DecodedOriginals;
import embrick.server.storage.Storage;
import embrick.server.workers.Workers;
import embrick.server.workers.Workers.StageView;
import embrick.server.workers.Workers.WorkerState;
import io.micrometer.core.instrument.FunctionCounter;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.binder.MeterBinder;
import java.io.IOException;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * What waits, what is being made, who is at work, what each stage of a piece took, and what room is left. Asked of the
 * database once for all figures of a page, so that looking costs the same however many there are. A figure that cannot be
 * told, as while the database is away, is NaN, which Prometheus knows as "no value".
 */
@Component
@ConditionalOnWebApplication
class ShopFloorMeasures implements MeterBinder {
    private static final long ANSWER_KEPT_NANOS = 1_000_000_000L;

    private final JdbcClient database;
    private final Workers workers;
    private final Storage storage;
    private final DecodedOriginals decoded;
    private final Map<String, StageView> spent = new ConcurrentHashMap<>();
    private Figures last;
    private long askedNanos;

    private record Figures(
            double waiting, double making, double runs, double paused, Map<WorkerState, Integer> workers, double free) {
        static final Figures UNKNOWN =
                new Figures(Double.NaN, Double.NaN, Double.NaN, Double.NaN, Map.of(), Double.NaN);

        double workers(WorkerState state) {
            return this == UNKNOWN ? Double.NaN : workers.getOrDefault(state, 0);
        }
    }

    ShopFloorMeasures(JdbcClient database, Workers workers, Storage storage, DecodedOriginals decoded) {
        this.database = database;
        this.workers = workers;
        this.storage = storage;
        this.decoded = decoded;
    }

    @Override
    public void bindTo(MeterRegistry registry) {
        gauge(registry, "embrick.pieces.waiting", "Pieces in the queue", Figures::waiting);
        gauge(registry, "embrick.pieces.making", "Pieces that a worker is at", Figures::making);
        gauge(registry, "embrick.runs.open", "Runs that go on", Figures::runs);
        gauge(registry, "embrick.runs.paused", "Runs that are held up", Figures::paused);
        gauge(registry, "embrick.storage.free.bytes", "Free where there is least of it", Figures::free);
        for (WorkerState state : WorkerState.values()) {
            Gauge.builder("embrick.workers", this, me -> me.figures(registry).workers(state))
                    .tag("state", state.name().toLowerCase(Locale.ROOT))
                    .description("Processes that make pieces")
                    .register(registry);
        }
        Gauge.builder("embrick.picture.memory.budget.bytes", decoded, DecodedOriginals::budget)
                .description("What decoded originals may take in this process")
                .register(registry);
        Gauge.builder("embrick.picture.memory.taken.bytes", decoded, DecodedOriginals::taken)
                .description("What they take now")
                .register(registry);
    }

    private void gauge(MeterRegistry registry, String name, String description, ToDoubleFunction<Figures> value) {
        Gauge.builder(name, this, me -> value.applyAsDouble(me.figures(registry)))
                .description(description)
                .register(registry);
    }

    private synchronized Figures figures(MeterRegistry registry) {
        if (last == null || System.nanoTime() - askedNanos > ANSWER_KEPT_NANOS) {
            last = ask(registry);
            askedNanos = System.nanoTime();
        }
        return last;
    }

    private Figures ask(MeterRegistry registry) {
        try {
            Map<WorkerState, Integer> states = new EnumMap<>(WorkerState.class);
            workers.all().forEach(worker -> states.merge(worker.state(), 1, Integer::sum));
            workers.stages().forEach(stage -> count(registry, stage));
            return database.sql("""
                            select
                              (select count(*) from scheduled_tasks where task_name = 'piece' and not picked) as waiting,
                              (select count(*) from scheduled_tasks where task_name = 'piece' and picked) as making,
                              (select count(*) from run where finished_at is null and not stopped) as runs,
                              (select count(*) from run where finished_at is null and pause_code is not null) as paused""")
                    .query((row, _) -> new Figures(
                            row.getLong("waiting"),
                            row.getLong("making"),
                            row.getLong("runs"),
                            row.getLong("paused"),
                            states,
                            freeBytes()))
                    .single();
        } catch (RuntimeException away) {
            return Figures.UNKNOWN;
        }
    }

    private double freeBytes() {
        try {
            return storage.freeBytes();
        } catch (IOException away) {
            return Double.NaN;
        }
    }

    /** A counter for each stage of each worker that was ever seen; registering one again changes nothing. */
    private void count(MeterRegistry registry, StageView stage) {
        String key = stage.worker() + " " + stage.stage();
        spent.put(key, stage);
        counter(registry, "embrick.piece.stage.seconds", "Spent on a stage of pieces", stage, StageView::seconds);
        counter(registry, "embrick.piece.stage.times", "Pieces that went through a stage", stage, StageView::times);
    }

    private void counter(
            MeterRegistry registry,
            String name,
            String description,
            StageView stage,
            ToDoubleFunction<StageView> value) {
        String key = stage.worker() + " " + stage.stage();
        FunctionCounter.builder(name, spent, all -> value.applyAsDouble(all.get(key)))
                .tag("worker", stage.worker())
                .tag("stage", stage.stage().toLowerCase(Locale.ROOT))
                .description(description)
                .register(registry);
    }
}
