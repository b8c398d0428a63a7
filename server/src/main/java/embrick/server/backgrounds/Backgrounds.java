package embrick.server.backgrounds;

import embrick.core.grown.BareArea;
import embrick.core.grown.GapSamples;
import embrick.core.grown.Grown;
import embrick.core.grown.GrownLayer;
import embrick.core.grown.LikenessMap;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.server.documents.StoredJson;
import embrick.server.storage.Fingerprints;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.foreign.Arena;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Grows backgrounds, one at a time, and keeps them. What is lost or damaged is grown again: the same plan has the same pixels.
 *
 * <p>Kept as two files: the samples, then what is known of them. Only with the second one the first counts.
 */
@Service
public class Backgrounds {
    private static final Logger LOG = LoggerFactory.getLogger(Backgrounds.class);
    private static final long LOOK_MILLIS = 300;
    /** So long after the last who asked for it a growing is ended: pages ask every second. */
    private static final Duration FORGOTTEN = Duration.ofMinutes(1);

    /** Another process may be at it. */
    private static final Duration HALF_MADE = Duration.ofHours(6);

    private static final Duration KEPT = Duration.ofDays(90);

    private final Storage storage;
    private final Pictures pictures;
    private final Formats formats;
    private final BackgroundKey keys;
    private final Fingerprints fingerprints;
    private final StoredJson json;
    private final Map<String, Making> making = new ConcurrentHashMap<>();
    /** One: a growing holds some hundred megabytes. */
    private final ExecutorService thread = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().daemon().name("background-growing").factory());

    Backgrounds(
            Storage storage,
            Pictures pictures,
            Formats formats,
            BackgroundKey keys,
            Fingerprints fingerprints,
            StoredJson json) {
        this.fingerprints = fingerprints;
        this.storage = storage;
        this.pictures = pictures;
        this.formats = formats;
        this.keys = keys;
        this.json = json;
    }

    /** How far a background is. */
    public sealed interface State {
        record Growing(double share) implements State {}

        record Ready(LikenessMap likeness) implements State {}

        record Declined(Grown.Declined why) implements State {}
    }

    /**
     * What a background is grown for.
     *
     * @param place of the original
     * @param plan that grows one
     */
    public record Wanted(OriginalPlace place, SourceFacts facts, Plan plan) {
        private String digest() {
            return place.digest();
        }
    }

    /** One that is being grown, or waits for its turn. */
    private static final class Making {
        private volatile double share;
        private volatile long lastAsked = System.nanoTime();
        private volatile boolean isEnded;
        private volatile Future<KeptBackground> result;

        boolean isForgotten() {
            return isEnded || System.nanoTime() - lastAsked > FORGOTTEN.toNanos();
        }
    }

    /** Nobody had asked for it for long. */
    private static final class ForgottenException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    public String key(Wanted wanted) {
        return keys.of(wanted.digest(), wanted.plan());
    }

    /** Begins to grow it where that has not been done. */
    public State look(Wanted wanted) throws IOException {
        String key = key(wanted);
        Optional<KeptBackground> kept = kept(wanted.digest(), key);
        if (kept.isPresent()) {
            return state(kept.get());
        }
        Making made = begin(wanted, key);
        if (!made.result.isDone()) {
            return new State.Growing(made.share);
        }
        making.remove(key, made);
        try {
            return state(finished(made.result));
        } catch (ForgottenException forgotten) {
            begin(wanted, key);
            return new State.Growing(0);
        }
    }

    private static State state(KeptBackground kept) {
        return kept.refusal()
                .<State>map(State.Declined::new)
                .orElseGet(() -> new State.Ready(kept.map().orElseThrow()));
    }

    /**
     * The background of a plan, which is grown where that has not been done; empty where the plan grows none.
     *
     * @param look asked now and then; what it throws is thrown on, and the growing goes on for others
     * @throws BackgroundDeclinedException if it cannot be grown
     */
    public Optional<GrownLayer> grown(Wanted wanted, Runnable look) throws IOException {
        if (wanted.plan().growing().isEmpty()) {
            return Optional.empty();
        }
        String key = key(wanted);
        KeptBackground kept = kept(wanted.digest(), key).orElse(null);
        while (kept == null) {
            Making made = begin(wanted, key);
            try {
                kept = awaited(made, look);
            } catch (ForgottenException forgottenByAnother) {
                LOG.info("background {} is grown anew: whoever began it had left", key);
            } finally {
                if (made.result.isDone()) {
                    making.remove(key, made);
                }
            }
        }
        return Optional.of(layer(wanted, key, kept));
    }

    /** As above, of one that is there; empty where it is not. */
    public Optional<GrownLayer> ready(Wanted wanted) throws IOException {
        String key = key(wanted);
        Optional<KeptBackground> kept = kept(wanted.digest(), key);
        return kept.isPresent() ? Optional.of(layer(wanted, key, kept.get())) : Optional.empty();
    }

    private GrownLayer layer(Wanted wanted, String key, KeptBackground kept) throws IOException {
        if (kept.refusal().isPresent()) {
            throw new BackgroundDeclinedException(kept.refusal().get());
        }
        return new GapSamples(
                area(wanted.plan()), channels(wanted.plan()), FileSamples.open(samples(wanted.digest(), key)));
    }

    private static KeptBackground awaited(Making made, Runnable look) throws IOException {
        while (true) {
            look.run();
            made.lastAsked = System.nanoTime();
            try {
                made.result.get(LOOK_MILLIS, TimeUnit.MILLISECONDS);
            } catch (TimeoutException goesOn) {
                continue;
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while a background was grown", interrupted);
            } catch (ExecutionException | CancellationException toBeTold) {
                return finished(made.result);
            }
            return finished(made.result);
        }
    }

    private static KeptBackground finished(Future<KeptBackground> result) throws IOException {
        return switch (result.state()) {
            case SUCCESS -> result.resultNow();
            case CANCELLED -> throw new IOException("Embrick is being ended");
            case FAILED, RUNNING -> {
                switch (result.exceptionNow()) {
                    case IOException known -> throw known;
                    case RuntimeException known -> throw known;
                    case Error known -> throw known;
                    case Throwable other -> throw new IllegalStateException(other);
                }
            }
        };
    }

    private Making begin(Wanted wanted, String key) {
        return making.compute(key, (_, before) -> {
            if (before != null) {
                before.lastAsked = System.nanoTime();
                return before;
            }
            Making made = new Making();
            made.result = thread.submit(() -> make(wanted, key, made));
            return made;
        });
    }

    private KeptBackground make(Wanted wanted, String key, Making made) throws IOException {
        Path folder = samples(wanted.digest(), key).getParent();
        Storage.makeFolders(folder);
        Path part = folder.resolve(wanted.digest() + "-" + UUID.randomUUID() + ".part");
        try {
            KeptBackground kept = grow(wanted, part, made);
            if (kept.samples() != null) {
                Files.move(part, samples(wanted.digest(), key), StandardCopyOption.ATOMIC_MOVE);
            }
            Path known = folder.resolve(wanted.digest() + "-" + UUID.randomUUID() + ".part");
            Files.writeString(known, json.write(kept));
            Files.move(known, known(wanted.digest(), key), StandardCopyOption.ATOMIC_MOVE);
            Storage.forceFolder(folder);
            // From here on it is read from its files; one that failed stays until it has been told.
            making.remove(key, made);
            return kept;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private KeptBackground grow(Wanted wanted, Path part, Making made) throws IOException {
        Plan plan = wanted.plan();
        BareArea area = area(plan);
        int channels = channels(plan);
        Grown grown = pictures.whole(wanted.place(), wanted.facts(), opened -> {
            try (Arena arena = Arena.ofShared()) {
                FileSamples samples = FileSamples.create(part, GapSamples.count(area, channels), arena);
                Grown came = Printer.grow(
                        plan, opened.raster(), formats.profiles(), new GapSamples(area, channels, samples), share -> {
                            made.share = share;
                            if (made.isForgotten()) {
                                throw new ForgottenException();
                            }
                        });
                samples.force();
                return came;
            }
        });
        return switch (grown) {
            case Grown.Done done -> KeptBackground.done(Storage.digestOf(part), done.likeness());
            case Grown.Declined declined -> KeptBackground.declined(declined);
        };
    }

    /** What is kept under a key, if its samples are whole. */
    private Optional<KeptBackground> kept(String digest, String key) throws IOException {
        Path known = known(digest, key);
        if (!Files.exists(known)) {
            return Optional.empty();
        }
        KeptBackground kept = json.read(Files.readString(known), KeptBackground.class);
        if (kept.samples() == null) {
            return Optional.of(kept);
        }
        Path samples = samples(digest, key);
        if (Files.exists(samples) && fingerprints.of(samples).sha256().equals(kept.samples())) {
            return Optional.of(kept);
        }
        LOG.warn("background {} is not as it was kept: it is grown again", key);
        Files.deleteIfExists(known);
        Files.deleteIfExists(samples);
        return Optional.empty();
    }

    /** At the start: what a kill left half made, and what was made so long ago that it can be made again if it is asked for. */
    @EventListener(ApplicationStartedEvent.class)
    void sweepBesides() {
        thread.execute(this::sweep);
    }

    private void sweep() {
        Instant now = Instant.now();
        try (Stream<Path> files = Files.walk(storage.backgrounds())) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Duration kept = file.toString().endsWith(".part") ? HALF_MADE : KEPT;
                if (Files.getLastModifiedTime(file).toInstant().isBefore(now.minus(kept))) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (NoSuchFileException none) {
            LOG.debug("no background has been grown yet");
        } catch (IOException | UncheckedIOException later) {
            LOG.warn("old backgrounds are cleared at the next start: {}", later.toString());
        }
    }

    private Path samples(String digest, String key) {
        return storage.background(digest, key + ".samples");
    }

    private Path known(String digest, String key) {
        return storage.background(digest, key + ".json");
    }

    private static BareArea area(Plan plan) {
        return plan.bareArea().orElseThrow();
    }

    private static int channels(Plan plan) {
        return plan.colour().to().model().channels();
    }

    @PreDestroy
    void end() {
        making.values().forEach(made -> made.isEnded = true);
        thread.shutdownNow();
    }
}
