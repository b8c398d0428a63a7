package embrick.server.storage;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The storage folder: {@code originals/} by content and never changed, {@code previews/} that can be made again,
 * {@code making/} for files under way, {@code deliveries/} for what is finished,
 * {@code incoming/} for what is arriving, {@code decoding/} for what is being decoded right now.
 */
@Component
public class Storage {
    private static final Logger LOG = LoggerFactory.getLogger(Storage.class);

    private static final List<String> FOLDERS =
            List.of("originals", "previews", "making", "deliveries", "incoming", "profiles", "marks", "decoding");

    private final Path root;

    public Storage(StorageSettings settings) throws IOException {
        this.root = settings.storage().toAbsolutePath().normalize();
        createPrivately(root);
        for (String folder : FOLDERS) {
            createPrivately(root.resolve(folder));
        }
    }

    /** Nobody but the user of this process looks into the storage. */
    private static void createPrivately(Path folder) throws IOException {
        Files.createDirectories(folder);
        if (Files.getFileStore(folder).supportsFileAttributeView(PosixFileAttributeView.class)) {
            try {
                Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
            } catch (FileSystemException foreign) {
                LOG.warn("{} belongs to somebody else and stays open to them: {}", folder, foreign.getMessage());
            }
        }
    }

    /**
     * Returns the stamp of the original stored under an arrival's digest, if it is there and intact; {@link #place} recognises it
     * by that. Reads the whole file, which may take long on a slow disk.
     */
    public Optional<Object> kept(Arrival arrival) throws IOException {
        if (arrival.place() instanceof OriginalPlace.InPlace) {
            return Optional.empty();
        }
        Path kept = original(arrival.digest());
        try {
            Object stamp = Fingerprints.stampOf(kept);
            return Files.size(kept) == arrival.fingerprint().bytes()
                            && digestOf(kept).equals(arrival.digest())
                    ? Optional.of(stamp)
                    : Optional.empty();
        } catch (NoSuchFileException none) {
            return Optional.empty();
        }
    }

    /**
     * Puts a file that has arrived among the originals, under its digest; one that stays in place stays there. Callers hold the
     * digest against clearing meanwhile.
     *
     * @param kept what {@link #kept} gave before: such a file stays if nobody has touched it since. Any other of that name is
     *     replaced: a power cut may have cut it short
     */
    public void place(Arrival arrival, Optional<Object> kept) throws IOException {
        if (arrival.place() instanceof OriginalPlace.InPlace) {
            return;
        }
        Path original = original(arrival.digest());
        if (kept.isPresent() && Files.exists(original) && kept.get().equals(Fingerprints.stampOf(original))) {
            return;
        }
        createPrivately(original.getParent());
        Files.move(arrival.file(), original, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        forceFolder(original.getParent());
    }

    /** Keeps what lies under an original's name and is not that original out of the way, and says so by its name. */
    void setAside(String digest) throws IOException {
        Path wrong = original(digest);
        Files.move(wrong, wrong.resolveSibling(digest + ".changed-" + UUID.randomUUID()));
        LOG.warn("original {} is not what was added; the file that lay in its place was set aside", digest);
    }

    Path original(String digest) {
        return root.resolve("originals").resolve(digest.substring(0, 2)).resolve(digest);
    }

    /** The file that tells which storage this is. */
    public Path identity() {
        return root.resolve(".embrick-storage");
    }

    public Path incoming() {
        return root.resolve("incoming");
    }

    Path decoding() {
        return root.resolve("decoding");
    }

    /** Deletes an original that no job refers to any more, with its small pictures and grown backgrounds. */
    public void clear(String digest) throws IOException {
        Files.deleteIfExists(original(digest));
        Files.deleteIfExists(index(digest));
        clear(root.resolve("previews"), digest, "-*.jpg");
        clear(backgrounds(), digest, "-*");
    }

    private static void clear(Path kind, String digest, String names) throws IOException {
        Path folder = kind.resolve(digest.substring(0, 2));
        if (Files.isDirectory(folder)) {
            try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, digest + names)) {
                for (Path file : files) {
                    Files.deleteIfExists(file);
                }
            }
        }
    }

    /** Where grown backgrounds are kept. */
    public Path backgrounds() {
        return root.resolve("backgrounds");
    }

    /** What was grown for an original, by the key of all that it was grown from. */
    public Path background(String digest, String key) {
        return backgrounds().resolve(digest.substring(0, 2)).resolve(digest + "-" + key);
    }

    public Path preview(String digest, int edge) {
        return root.resolve("previews").resolve(digest.substring(0, 2)).resolve(digest + "-" + edge + ".jpg");
    }

    private Path index(String digest) {
        return root.resolve("previews").resolve(digest.substring(0, 2)).resolve(digest + ".index");
    }

    /** Keeps where decoding can begin in the midst of an original, as its format says it. */
    public void keepIndex(String digest, byte[] index) throws IOException {
        Path kept = index(digest);
        Path part = kept.resolveSibling(UUID.randomUUID() + ".part");
        Files.createDirectories(kept.getParent());
        try {
            Files.write(part, index);
            Files.move(part, kept, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** What {@link #keepIndex} kept; it carries a checksum of its own. */
    Optional<byte[]> keptIndex(String digest) throws IOException {
        try {
            return Optional.of(Files.readAllBytes(index(digest)));
        } catch (NoSuchFileException none) {
            return Optional.empty();
        }
    }

    public Path profile(String digest) {
        return root.resolve("profiles").resolve(digest + ".icc");
    }

    Path stencil(String digest) {
        return root.resolve("marks").resolve(digest + ".png");
    }

    public Path making() {
        return root.resolve("making");
    }

    /** Where deliveries lie that go nowhere else. */
    public Path deliveries() {
        return root.resolve("deliveries");
    }

    /** What is free where there is least of it: deliveries may lie on another disk. */
    public long freeBytes() throws IOException {
        return Math.min(
                Files.getFileStore(root).getUsableSpace(),
                Files.getFileStore(deliveries()).getUsableSpace());
    }

    /** Whether a small file can be written where pieces are made. */
    public boolean isWritable() {
        Path probe = making().resolve("probe-" + UUID.randomUUID());
        try {
            Files.write(probe, new byte[1]);
            return true;
        } catch (IOException away) {
            return false;
        } finally {
            try {
                Files.deleteIfExists(probe);
            } catch (IOException stays) {
                LOG.warn("{} stays", probe, stays);
            }
        }
    }

    /** Makes a folder and those above it that are missing, each forced to the disk; one that is there already is left. */
    public static void makeFolders(Path folder) throws IOException {
        if (Files.isDirectory(folder)) {
            return;
        }
        makeFolders(folder.getParent());
        try {
            Files.createDirectory(folder);
        } catch (FileAlreadyExistsException another) {
            // Another piece of the same folder was quicker.
        }
        forceFolder(folder.getParent());
    }

    /** Forces a folder's entries to the disk, where the system can. */
    public static void forceFolder(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }

    public static Fingerprint fingerprintOf(Path file) throws IOException {
        return Fingerprints.read(file);
    }

    /** SHA-256 of a text in UTF-8. */
    public static String digestOfText(String text) {
        return HexFormat.of().formatHex(sha256().digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    public static String digestOf(Path file) throws IOException {
        return Fingerprints.read(file).sha256();
    }

    /** Whether a failure means that the disk, or what this user may write on it, is full. */
    public static boolean isFull(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            String text = String.valueOf(cause.getMessage());
            if (cause instanceof StorageFullException
                    || cause instanceof IOException
                            && (text.contains("No space left on device") || text.contains("Disk quota exceeded"))) {
                return true;
            }
        }
        return false;
    }

    /** Work on one file. */
    public interface FileWork {
        void on(Path file) throws IOException;
    }

    /** Goes through a folder's files of a name; what cannot be worked on is told and stops nothing. */
    public static void forEachFile(Path folder, String names, FileWork work) {
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, names)) {
            for (Path file : files) {
                if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
                    try {
                        work.on(file);
                    } catch (IOException failed) {
                        LOG.warn("{} stays: {}", file, failed.toString());
                    }
                } else {
                    LOG.warn("{} is no file of Embrick's and stays", file);
                }
            }
        } catch (IOException | DirectoryIteratorException failed) {
            LOG.warn("{} cannot be read: {}", folder, failed.toString());
        }
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new AssertionError("every JDK has SHA-256", impossible);
        }
    }
}
