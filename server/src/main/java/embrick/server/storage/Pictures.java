package embrick.server.storage;

import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.crew.Crew;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileSystemException;
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
    private final OriginalFiles files;
    private final Formats formats;
    private final DecodedOriginals decoded;
    private final DecodeWatch watch;
    private final Crew crew;
    private final AtomicLong openedWhole = new AtomicLong();

    Pictures(
            Storage storage,
            OriginalFiles files,
            Formats formats,
            DecodedOriginals decoded,
            DecodeWatch watch,
            Crew crew) {
        this.crew = crew;
        this.storage = storage;
        this.files = files;
        this.formats = formats;
        this.decoded = decoded;
        this.watch = watch;
    }

    /** Work on the whole of an original, which may be shared with others. */
    public <T> T whole(OriginalPlace place, SourceFacts facts, DecodedOriginals.Work<T> work) throws IOException {
        Path file = files.intact(place);
        String name = files.nameOf(place, file);
        return untouched(
                place,
                () -> crew.present(() -> decoded.using(name, facts, () -> openWhole(place.digest(), file), work)));
    }

    /** As above, on a file that is not among the originals yet. */
    public <T> T whole(Arrival arrival, SourceFacts facts, DecodedOriginals.Work<T> work) throws IOException {
        return crew.present(() -> decoded.using(
                arrival.digest() + " arriving", facts, () -> openWhole(arrival.digest(), arrival.file()), work));
    }

    private interface Decoding<T> {
        T run() throws IOException;
    }

    /** What was read of a file that somebody wrote to meanwhile is nothing, and so is what was found wrong with it. */
    private <T> T untouched(OriginalPlace place, Decoding<T> decoding) throws IOException {
        T made;
        try {
            made = decoding.run();
        } catch (UncheckedIOException ofAPart) {
            files.requireUntouched(place);
            throw ofAPart.getCause();
        } catch (IOException failed) {
            files.requireUntouched(place);
            throw failed;
        }
        files.requireUntouched(place);
        return made;
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
                ? reading(() -> formats.openInParts(file, index.get(), watch.of(digest)))
                : open(digest, file, Integer.MAX_VALUE);
    }

    /** Tells a disk that fails to be read from one that fails to be written, which the same work may do. */
    private static OpenedPicture reading(Decoding<OpenedPicture> opening) throws IOException {
        try {
            return opening.run();
        } catch (UnusablePictureException | FileSystemException known) {
            throw known;
        } catch (IOException failed) {
            throw NotExaminedException.reading(failed);
        }
    }

    /** Work on an original that is decoded at least as large as {@code leastEdge}; never for a piece. */
    public <T> T reduced(OriginalPlace place, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        Path file = files.intact(place);
        return untouched(place, () -> reduced(files.nameOf(place, file), place.digest(), file, facts, leastEdge, work));
    }

    /** As above, of a file that is not among the originals yet. */
    public <T> T reduced(Arrival arrival, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        return reduced(arrival.digest(), arrival.digest(), arrival.file(), facts, leastEdge, work);
    }

    private <T> T reduced(
            String name, String digest, Path file, SourceFacts facts, int leastEdge, DecodedOriginals.Work<T> work)
            throws IOException {
        // Under a name of its own: a reduced picture must never serve a piece.
        return crew.present(() ->
                decoded.using(name + " reduced to " + leastEdge, facts, () -> open(digest, file, leastEdge), work));
    }

    private OpenedPicture open(String digest, Path file, int leastEdge) throws IOException {
        return reading(() -> watch.isSuspect(digest)
                ? formats.openApart(file, leastEdge)
                : watch.during(digest, () -> formats.openAsItIs(file, leastEdge)));
    }
}
