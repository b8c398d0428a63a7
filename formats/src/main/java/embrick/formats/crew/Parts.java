package embrick.formats.crew;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.RejectedExecutionException;
import java.util.function.Supplier;

/** One work in parts: which are to be made, which are made and wait to be taken, who is at it. */
final class Parts<T> {
    /** Parts for each core that may be made and not yet taken. */
    private static final int AHEAD = 2;

    private final Crew crew;
    private final int all;
    private final Supplier<? extends Crew.Maker<T>> makers;
    private final Crew.Taker<T> taker;
    private final Map<Integer, T> made = new HashMap<>();
    private int next;
    private int taken;
    private int helping;
    /** Helpers that were called and are at no part yet. */
    private int coming;

    private boolean isOver;
    private Throwable failed;

    Parts(Crew crew, int all, Supplier<? extends Crew.Maker<T>> makers, Crew.Taker<T> taker) {
        this.crew = crew;
        this.all = all;
        this.makers = makers;
        this.taker = taker;
    }

    void work() throws IOException {
        try (Crew.Maker<T> own = makers.get()) {
            while (taken < all) {
                callHelp();
                OptionalInt part = claimOrAwait();
                if (part.isPresent()) {
                    put(part.getAsInt(), own.make(part.getAsInt()));
                }
                takeWhatIsReady();
            }
        } finally {
            awaitHelpers();
        }
    }

    /** A part for the calling thread, or nothing when the next one to be taken is ready, or is being made by a helper. */
    private synchronized OptionalInt claimOrAwait() throws IOException {
        while (true) {
            throwWhatFailed();
            if (made.containsKey(taken)) {
                return OptionalInt.empty();
            }
            OptionalInt part = claim();
            if (part.isPresent()) {
                return part;
            }
            await();
        }
    }

    private synchronized OptionalInt claim() {
        boolean mayBegin = !isOver && failed == null && next < all && next < taken + AHEAD * crew.cores();
        return mayBegin ? OptionalInt.of(next++) : OptionalInt.empty();
    }

    private synchronized void put(int part, T what) {
        made.put(part, what);
        notifyAll();
    }

    private void takeWhatIsReady() throws IOException {
        while (true) {
            T ready;
            int part;
            synchronized (this) {
                part = taken;
                ready = made.remove(part);
                if (ready == null) {
                    return;
                }
            }
            taker.take(part, ready);
            synchronized (this) {
                taken++;
                notifyAll();
            }
        }
    }

    /** As many helpers as there are free cores and parts to begin. */
    private void callHelp() {
        while (mayUseHelp() && crew.lend()) {
            synchronized (this) {
                helping++;
                coming++;
            }
            if (!begins()) {
                return;
            }
        }
    }

    /** Where the system gives no thread it does so without help: the caller makes all parts. */
    private boolean begins() {
        try {
            crew.begin(this::help);
            return true;
        } catch (OutOfMemoryError | RejectedExecutionException noThread) {
            crew.giveBack();
            synchronized (this) {
                helping--;
                coming--;
            }
            return false;
        }
    }

    private synchronized boolean mayUseHelp() {
        return all - next > coming + 1;
    }

    private void help() {
        try (Crew.Maker<T> maker = makers.get()) {
            OptionalInt part = claimFirst();
            while (part.isPresent()) {
                put(part.getAsInt(), maker.make(part.getAsInt()));
                part = claimOrLeave();
            }
        } catch (IOException | RuntimeException | Error broken) {
            fail(broken);
        } finally {
            crew.giveBack();
            synchronized (this) {
                helping--;
                notifyAll();
            }
        }
    }

    private synchronized OptionalInt claimFirst() {
        coming--;
        return claimOrLeave();
    }

    /** A part for a helper, which waits while it is ahead and leaves when its core is wanted or all are begun. */
    private synchronized OptionalInt claimOrLeave() {
        while (!crew.isCrowded() && !isOver && failed == null && next < all) {
            OptionalInt part = claim();
            if (part.isPresent()) {
                return part;
            }
            await();
        }
        return OptionalInt.empty();
    }

    private synchronized void fail(Throwable why) {
        failed = failed == null ? why : failed;
        notifyAll();
    }

    private void throwWhatFailed() throws IOException {
        switch (failed) {
            case null -> {}
            case IOException known -> throw known;
            case RuntimeException known -> throw known;
            case Error known -> throw known;
            default -> throw new IllegalStateException(failed);
        }
    }

    private synchronized void awaitHelpers() {
        isOver = true;
        notifyAll();
        boolean wasInterrupted = false;
        while (helping > 0) {
            try {
                wait();
            } catch (InterruptedException interrupted) {
                // They still read the original, which must not be closed before they are done.
                wasInterrupted = true;
            }
        }
        if (wasInterrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private void await() {
        try {
            wait();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while a picture was made", interrupted);
        }
    }
}
