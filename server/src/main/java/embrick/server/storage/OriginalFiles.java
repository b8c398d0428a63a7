package embrick.server.storage;

import embrick.formats.picture.NotExaminedException;
import embrick.server.storage.OriginalLostException.How;
import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OriginalPlace.Kept;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.stereotype.Component;

/** The one door to the bytes of originals, kept or in place: whoever comes through it has the content that was taken in. */
@Component
public class OriginalFiles {
    private final Storage storage;
    private final Roots roots;
    private final Fingerprints fingerprints;

    OriginalFiles(Storage storage, Roots roots, Fingerprints fingerprints) {
        this.storage = storage;
        this.roots = roots;
        this.fingerprints = fingerprints;
    }

    /**
     * The file of an original, which has the content that was taken in. What lies in place may be changed by others right
     * afterwards: see {@link #requireUntouched}.
     *
     * @throws OriginalLostException if it is gone or holds something else. What the storage holds in its stead is then set
     *     aside, so that the same picture, sent again, takes its place; what lies in place is left alone
     * @throws RootAwayException if the disk it lies on is not there
     * @throws RootUnknownException if this machine does not have the folder it lies in
     */
    public Path intact(OriginalPlace place) throws IOException {
        Path file = find(place);
        String found;
        try {
            found = fingerprints.of(file).sha256();
        } catch (NoSuchFileException gone) {
            throw new OriginalLostException(place, How.GONE);
        }
        if (found.equals(place.digest())) {
            return file;
        }
        if (place instanceof Kept) {
            storage.setAside(place.digest());
        }
        throw new OriginalLostException(place, How.CHANGED);
    }

    /**
     * Where a file lies that is to become an original.
     *
     * @throws NoSuchFileException if no file lies there
     * @throws OutsideRootException if it leads out of its root
     */
    public Path placeOf(String root, String path) throws IOException {
        Path file = roots.resolve(root, path);
        if (!Files.isRegularFile(file)) {
            throw new NoSuchFileException(path);
        }
        return file;
    }

    /** Such a file, read to its end. */
    public Arrival lying(String root, String path, ReadingLane.Reader reader) throws IOException {
        Path file = placeOf(root, path);
        Instant modified = modified(file);
        Fingerprint fingerprint = reader.read(fingerprints, file);
        return new Arrival(file, fingerprint, new InPlace(fingerprint.sha256(), root, path, modified));
    }

    /**
     * Reads a file to its end once more, before what a decoder found wrong with it is believed.
     *
     * @throws NotExaminedException if it cannot be read, or gives other bytes than before
     */
    public void requireReadable(Arrival arrival) throws NotExaminedException {
        String now;
        try {
            now = Fingerprints.read(arrival.file()).sha256();
        } catch (IOException failed) {
            throw NotExaminedException.reading(failed);
        }
        if (!now.equals(arrival.digest())) {
            throw new NotExaminedException("its file gives other bytes now than a moment ago");
        }
    }

    /** Whether a file has not been written to since it was looked at. */
    public boolean isStill(Arrival arrival) throws IOException {
        return fingerprints.isUntouched(arrival.file());
    }

    /** To the microsecond: the database keeps no more. */
    private static Instant modified(Path file) throws IOException {
        return Files.getLastModifiedTime(file).toInstant().truncatedTo(ChronoUnit.MICROS);
    }

    private Path find(OriginalPlace place) throws IOException {
        return switch (place) {
            case Kept kept -> storage.original(kept.digest());
            case InPlace inPlace -> {
                try {
                    yield roots.resolve(inPlace.root(), inPlace.path());
                } catch (NoSuchFileException gone) {
                    throw new OriginalLostException(place, How.GONE);
                } catch (OutsideRootException out) {
                    throw new OriginalLostException(place, How.LEADS_OUT);
                }
            }
        };
    }

    /**
     * Called when work on an original has ended: it fails if somebody wrote to the file meanwhile. The storage's own files
     * are written by nobody.
     */
    void requireUntouched(OriginalPlace place) throws IOException {
        if (place instanceof InPlace) {
            intact(place);
        }
    }

    /** Names what lies in a file right now: another name once anybody has written to it, even the same bytes. */
    String nameOf(OriginalPlace place, Path file) throws IOException {
        return switch (place) {
            case Kept kept -> kept.digest();
            case InPlace inPlace -> inPlace.digest() + " " + Fingerprints.stampOf(file);
        };
    }

    /**
     * Whether an original lies there as it was added. Its content is looked at only if its file was written since, which
     * nothing of ours does.
     */
    public boolean isHere(OriginalPlace place, long bytes, Instant addedAt) {
        try {
            Path file = find(place);
            return Files.size(file) == bytes
                    && (isOld(place, file, addedAt)
                            || fingerprints.of(file).sha256().equals(place.digest()));
        } catch (IOException gone) {
            return false;
        }
    }

    private static boolean isOld(OriginalPlace place, Path file, Instant addedAt) throws IOException {
        Instant written = modified(file);
        return switch (place) {
            case Kept _ -> written.isBefore(addedAt);
            case InPlace inPlace -> written.equals(inPlace.modified());
        };
    }
}
