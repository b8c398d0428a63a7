package embrick.standins.roll;

import embrick.standins.common.RefusedException;
import embrick.standins.common.StateFiles;
import embrick.standins.roll.PrintJob.End;
import embrick.standins.roll.PrintJob.State;
import embrick.standins.roll.PrintJob.Stretch;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Prints job after job, a little at a time; everything is kept in files as it goes, so that a restart goes on. */
@Component
class Press {
    private static final Logger LOG = LoggerFactory.getLogger(Press.class);
    private static final long TICK_MILLIS = 50;
    private static final double MILLIS = 1000;
    /** Millimetres that a roll may be less than it is asked to be, and is still said to be that. */
    private static final double SLACK = 0.5;

    private final StateFiles files;
    private final Spool spool;
    private final Path printerFile;
    private final Map<String, PrintJob> jobs = new TreeMap<>();
    private Printer printer;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("press").factory());
    private final ExecutorService spooler = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().daemon().name("spool").factory());

    Press(StateFiles files, Spool spool, @Value("${standin.home}") Path home) {
        this.files = files;
        this.spool = spool;
        this.printerFile = home.resolve("printer.json");
        this.printer = files.read(printerFile, Printer.class).orElse(Printer.NEW);
        Path folder = home.resolve("jobs");
        if (Files.isDirectory(folder)) {
            try (Stream<Path> all = Files.list(folder)) {
                all.map(each -> files.read(each.resolve("job.json"), PrintJob.class))
                        .flatMap(Optional::stream)
                        .forEach(job -> jobs.put(job.id(), job));
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        all().forEach(this::spoolMissing);
        clock.scheduleAtFixedRate(this::tickSafely, TICK_MILLIS, TICK_MILLIS, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void end() {
        clock.shutdownNow();
        spooler.shutdown();
    }

    /** What keeps it from printing; empty if nothing does. */
    enum Stop {
        PAPER,
        JAM,
        INK,
        /** The roll is too narrow, or another paper. */
        OTHER_ROLL,
        /** Not one more piece would be whole on what is left: begun, it would spoil the roll's end for nothing. */
        SHORT
    }

    synchronized Printer printer() {
        return printer;
    }

    synchronized Optional<PrintJob> current() {
        return byAge().filter(job -> job.state() == State.PRINTING)
                .findFirst()
                .or(() -> byAge().filter(job -> job.state() == State.QUEUED).findFirst());
    }

    private Stream<PrintJob> byAge() {
        return jobs.values().stream().sorted(Comparator.comparing(PrintJob::receivedAt));
    }

    synchronized List<PrintJob> all() {
        return byAge().toList();
    }

    synchronized PrintJob get(String id) {
        return Optional.ofNullable(jobs.get(id)).orElseThrow(() -> RefusedException.notFound("job"));
    }

    synchronized Optional<PrintJob> withKey(String key) {
        return jobs.values().stream().filter(job -> job.key().equals(key)).findFirst();
    }

    synchronized PrintJob keep(PrintJob job) {
        files.write(spool.folder(job.id()).resolve("job.json"), job);
        jobs.put(job.id(), job);
        return job;
    }

    synchronized Optional<Stop> stop() {
        if (printer.isJammed()) {
            return Optional.of(Stop.JAM);
        }
        if (!printer.hasInk()) {
            return Optional.of(Stop.INK);
        }
        if (printer.roll().left() <= 0) {
            return Optional.of(Stop.PAPER);
        }
        return current().flatMap(this::misfit);
    }

    private Optional<Stop> misfit(PrintJob job) {
        String paper = job.ticket().paper();
        if (printer.roll().width() + SLACK < job.ticket().width()
                || !paper.isEmpty() && !paper.equals(printer.roll().paper())) {
            return Optional.of(Stop.OTHER_ROLL);
        }
        boolean isShort = job.open().isEmpty() && printer.roll().left() + SLACK < job.needed();
        return isShort ? Optional.of(Stop.SHORT) : Optional.empty();
    }

    /** @throws RefusedException while a stretch is being printed on the roll that is in it */
    synchronized Printer load(double width, String paper, double length) {
        boolean isPrinting = current().flatMap(PrintJob::open).isPresent() && stop().isEmpty();
        if (isPrinting) {
            throw new RefusedException(
                    HttpStatus.CONFLICT, "printing", "A roll is changed while nothing is being printed on it.");
        }
        endStretch(End.PAPER);
        return set(printer.loaded(width, paper, length));
    }

    synchronized Printer fill() {
        return set(printer.filled());
    }

    synchronized Printer setSpeed(double millimetresPerSecond) {
        return set(printer.at(millimetresPerSecond));
    }

    synchronized Printer jam() {
        endStretch(End.JAM);
        return set(printer.jammed(true));
    }

    synchronized Printer clearJam() {
        return set(printer.jammed(false));
    }

    synchronized PrintJob queue(String id) {
        PrintJob job = get(id);
        return job.state() == State.RECEIVING ? keep(job.in(State.QUEUED)) : job;
    }

    synchronized PrintJob cancel(String id) {
        if (get(id).open().isPresent()) {
            endStretch(End.CANCELLED);
        }
        PrintJob job = get(id);
        return job.state().isOver() ? job : keep(job.in(State.CANCELLED));
    }

    private Printer set(Printer next) {
        files.write(printerFile, next);
        printer = next;
        return next;
    }

    private void tickSafely() {
        try {
            tick();
        } catch (RuntimeException failed) {
            LOG.error("the printer goes on all the same", failed);
        }
    }

    private synchronized void tick() {
        PrintJob job = current().orElse(null);
        if (job == null || stop().isPresent()) {
            return;
        }
        if (job.open().isEmpty()) {
            Optional<PrintJob> begun = job.begun(printer.roll().number());
            keep(begun.orElseGet(() -> job.in(State.DONE)));
            return;
        }
        Stretch stretch = job.open().get();
        double wanted = Math.min(printer.speed() * TICK_MILLIS / MILLIS, stretch.until() - stretch.at());
        double length = Math.min(wanted, printer.roll().left());
        set(printer.after(length, job.inked(length)));
        PrintJob further = keep(job.advanced(length));
        if (further.stretches().getLast().at() >= stretch.until() - 1e-9) {
            endStretch(End.PAGE);
        } else if (printer.roll().left() <= 0) {
            endStretch(End.PAPER);
        }
    }

    private void endStretch(End why) {
        current().filter(job -> job.open().isPresent()).ifPresent(job -> {
            PrintJob ended = keep(job.ended(why));
            spoolMissing(ended);
        });
    }

    private void spoolMissing(PrintJob job) {
        for (Stretch stretch : job.stretches()) {
            if (!stretch.isOpen() && !Files.exists(spool.picture(job.id(), stretch.number()))) {
                spooler.submit(() -> {
                    try {
                        spool.keep(job, stretch);
                    } catch (IOException | RuntimeException failed) {
                        LOG.error("stretch {} of {} is not drawn", stretch.number(), job.id(), failed);
                    }
                });
            }
        }
    }
}
