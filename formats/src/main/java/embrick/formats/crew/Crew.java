package embrick.formats.crew;

import java.io.IOException;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;

/**
 * The machine's cores, shared by those who work on pictures. A batch is quickest with one picture to a core; who works alone
 * is helped by threads of the cores that nobody uses, and they leave as soon as somebody else comes.
 *
 * <p>Work is done in parts that are made in any order and taken in theirs. So that no more is held than a few parts for each
 * core, nobody runs further ahead. Safe for several threads.
 */
public final class Crew {
    private final int cores;
    private final AtomicInteger atWork = new AtomicInteger();
    private final ThreadLocal<Integer> depth = ThreadLocal.withInitial(() -> 0);
    private final Executor helpers;

    /** @param cores to be used at most, 1 or more */
    public Crew(int cores) {
        this(
                cores,
                Executors.newCachedThreadPool(
                        Thread.ofPlatform().daemon().name("crew-", 0).factory()));
    }

    Crew(int cores, Executor helpers) {
        if (cores < 1) {
            throw new IllegalArgumentException("cores: expected 1 or more, got " + cores);
        }
        this.cores = cores;
        this.helpers = helpers;
    }

    /** All cores of the machine. */
    public static Crew ofMachine() {
        return new Crew(Runtime.getRuntime().availableProcessors());
    }

    /** Makes parts: one thread's own, with what it needs for that. */
    public interface Maker<T> extends AutoCloseable {
        T make(int part) throws IOException;

        @Override
        default void close() {}
    }

    /** Takes the parts in their order. */
    public interface Taker<T> {
        void take(int part, T made) throws IOException;
    }

    /** Work of one thread. */
    public interface Work<T> {
        T run() throws IOException;
    }

    public int cores() {
        return cores;
    }

    /** Counts the calling thread as one that uses a core, while it does its work. */
    public <T> T present(Work<T> work) throws IOException {
        int outer = depth.get();
        depth.set(outer + 1);
        if (outer == 0) {
            atWork.incrementAndGet();
        }
        try {
            return work.run();
        } finally {
            depth.set(outer);
            if (outer == 0) {
                atWork.decrementAndGet();
            }
        }
    }

    /**
     * Has parts made, by the calling thread and by helpers while cores are free, and taken by the calling thread. When this
     * returns or throws no helper is at it any more.
     *
     * @param makers called once for each thread that makes parts, by that thread
     */
    public <T> void inOrder(int parts, Supplier<? extends Maker<T>> makers, Taker<T> taker) throws IOException {
        present(() -> {
            new Parts<>(this, parts, makers, taker).work();
            return null;
        });
    }

    /** Whether nobody is at work, on whatever picture. */
    public boolean isIdle() {
        return atWork.get() == 0;
    }

    /** Takes a free core for a helper. */
    boolean lend() {
        int now = atWork.get();
        return now < cores && (atWork.compareAndSet(now, now + 1) || lend());
    }

    void giveBack() {
        atWork.decrementAndGet();
    }

    /** Whether somebody has come whose core a helper is at. */
    boolean isCrowded() {
        return atWork.get() > cores;
    }

    void begin(Runnable helper) {
        helpers.execute(helper);
    }
}
