package embrick.server.storage;

import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.crew.Crew;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/**
 * The one door through which pictures are decoded: whole ones for pieces and proofs, reduced ones for the screen. Before a
 * picture is decoded its bytes are held against its digest; while it is, the memory it takes is counted and the process
 * remembers what it is at.
 */
@Component
public class Pictures {
    private final Storage storage;
    private final Fingerprints fingerprints;
    private final Formats formats;
    private final DecodedOriginals decoded;
    private final DecodeWatch watch;
    private final Crew crew;
    private final AtomicLong openedWhole = new AtomicLong();

    Pictures(
            Storage storage,
            Fingerprints fingerprints,
            Formats formats,
            DecodedOriginals decoded,
            DecodeWatch watch,
            Crew crew) {
        this.crew = crew;
        this.storage = storage;
        this.fingerprints = fingerprints;
        this.formats = formats;
        this.decoded = decoded;
        this.watch = watch;
    }

    /**
     * The file of an original, which has the content it is named by.
     *
     * @throws OriginalLostException if it is gone or holds something else; what it holds is then set aside, so that the
     *     same picture, sent again, takes its place
     */
    public Path intact(String digest) throws IOException {
        Path file = storage.original(digest);
        try {
            if (fingerprints.of(file).sha256().equals(digest)) {
                return file;
            }
        } catch (NoSuchFileException gone) {
            throw new OriginalLostException(digest, OriginalLostException.How.GONE);
        }
        storage.setAside(digest);
        throw new OriginalLostException(digest, OriginalLostException.How.CHANGED);
    }

    /**
     * Whether an original lies here as it was added. Its content is looked at only if its file was written since, which
     * nothing of ours does.
     */
    public boolean isHere(String digest, long bytes, java.time.Instant addedAt) {
        if (!storage.holds(digest, bytes)) {
            return false;
        }
        try {
            return Files.getLastModifiedTime(storage.original(digest))
                            .toInstant()
                            .isBefore(addedAt)
                    || fingerprints.of(storage.original(digest)).sha256().equals(digest);
        } catch (IOException gone) {
            return false;
        }
    }

    /** Work on the whole of an original, which may be shared with others. */
    public <T> T whole(String digest, SourceFacts facts, DecodedOriginals.Work<T> work) throws IOException {
        Path file = intact(digest);
        try {
            return crew.present(() -> decoded.using(digest, facts, () -> openWhole(digest, file), work));
        } catch (UncheckedIOException ofAPart) {
            throw ofAPart.getCause();
        }
    }

    /** How often an original was opened for work on the whole of it, since the process began; sharing opens none. */
    public long openedWhole() {
        return openedWhole.get();
    }

    /** In parts, each decoded when it is first read, where the file lets that be done and no process ended at it. */
    private OpenedPicture openWhole(String digest, Path file) throws IOException {
        openedWhole.incrementAndGet();
        Optional<byte[]> index = watch.isSuspect(digest) ? Optional.empty() : storage.keptIndex(digest);
        return index.isPresent()
                ? formats.openInParts(file, index.get(), watch.of(digest))
                : open(digest, file, Integer.MAX_VALUE);
    }

    /** Work on an original that is decoded at least as large as {@code leastEdge}; never for a piece. */
    public <T> T reduced(String digest, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        return reduced(digest, intact(digest), facts, leastEdge, work);
    }

    /** As above, of a file that is not among the originals yet. */
    public <T> T reduced(Arrival arrival, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        return reduced(arrival.digest(), arrival.file(), facts, leastEdge, work);
    }

    private <T> T reduced(String digest, Path file, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        // Under a name of its own: a reduced picture must never serve a piece.
        return crew.present(() ->
                decoded.using(digest + " reduced to " + leastEdge, facts, () -> open(digest, file, leastEdge), work));
    }

    private OpenedPicture open(String digest, Path file, int leastEdge) throws IOException {
        return watch.isSuspect(digest)
                ? formats.openApart(file, leastEdge)
                : watch.during(digest, () -> formats.openAsItIs(file, leastEdge));
    }
}
