package embrick.server.storage;

import embrick.core.names.FileNames;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * The storage folder: {@code originals/} by content and never changed, {@code previews/} that can be made again,
 * {@code making/} for files under way, {@code deliveries/} for what is finished.
 */
@Component
public class Storage {
    private static final int MOST_FOLDERS_OF_ONE_NAME = 10_000;

    private final Path root;

    public Storage(StorageSettings settings) throws IOException {
        this.root = settings.storage().toAbsolutePath().normalize();
        for (String folder : new String[] {"originals", "previews", "making", "deliveries", "incoming", "profiles"}) {
            Files.createDirectories(root.resolve(folder));
        }
    }

    /** A file that has been taken in. */
    public record Taken(String digest, long bytes) {}

    /** Streams a file to the disk and names it by its content. The same content is kept once. */
    public Taken take(InputStream content) throws IOException {
        Path incoming = root.resolve("incoming").resolve(UUID.randomUUID() + ".part");
        MessageDigest digest = sha256();
        try {
            long bytes;
            try (OutputStream out = Files.newOutputStream(incoming, StandardOpenOption.CREATE_NEW);
                    DigestInputStream in = new DigestInputStream(content, digest)) {
                bytes = in.transferTo(out);
            }
            String name = HexFormat.of().formatHex(digest.digest());
            Path kept = original(name);
            if (!Files.exists(kept)) {
                Files.createDirectories(kept.getParent());
                Files.move(incoming, kept, StandardCopyOption.ATOMIC_MOVE);
            }
            return new Taken(name, bytes);
        } finally {
            Files.deleteIfExists(incoming);
        }
    }

    public Path original(String digest) {
        return root.resolve("originals").resolve(digest.substring(0, 2)).resolve(digest);
    }

    /** Takes away an original that no job refers to any more, with its small pictures. */
    public void clear(String digest) throws IOException {
        Files.deleteIfExists(original(digest));
        Path previews = root.resolve("previews").resolve(digest.substring(0, 2));
        if (Files.isDirectory(previews)) {
            try (DirectoryStream<Path> small = Files.newDirectoryStream(previews, digest + "-*.jpg")) {
                for (Path picture : small) {
                    Files.deleteIfExists(picture);
                }
            }
        }
    }

    public Path preview(String digest, int edge) {
        return root.resolve("previews").resolve(digest.substring(0, 2)).resolve(digest + "-" + edge + ".jpg");
    }

    public Path profile(String digest) {
        return root.resolve("profiles").resolve(digest + ".icc");
    }

    public Path making() {
        return root.resolve("making");
    }

    /** A folder below {@code deliveries/}, as it is stored with a run. */
    public Path delivery(String folder) {
        Path path = root.resolve("deliveries").resolve(folder).normalize();
        if (!path.startsWith(root.resolve("deliveries"))) {
            throw new IllegalArgumentException("folder: expected one below deliveries, got " + folder);
        }
        return path;
    }

    /** Makes a new folder for a run; one that exists is never used again. */
    public String newDelivery(String jobName, String wanted) throws IOException {
        String job = FileNames.clean(jobName);
        String name = FileNames.clean(wanted);
        Files.createDirectories(delivery(job));
        for (int number = 1; number <= MOST_FOLDERS_OF_ONE_NAME; number++) {
            String folder = job + "/" + name + (number == 1 ? "" : "-" + number);
            try {
                Files.createDirectory(delivery(folder));
                return folder;
            } catch (FileAlreadyExistsException taken) {
                // The next number is tried.
            }
        }
        throw new IOException("no free name for a folder like " + wanted);
    }

    public long freeBytes() throws IOException {
        return Files.getFileStore(root).getUsableSpace();
    }

    /** Forces a folder's entries to the disk, where the system can. */
    public static void forceFolder(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }

    public static String digestOf(Path file) throws IOException {
        MessageDigest digest = sha256();
        try (InputStream in = Files.newInputStream(file)) {
            byte[] part = new byte[1 << 16];
            for (int read = in.read(part); read >= 0; read = in.read(part)) {
                digest.update(part, 0, read);
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new AssertionError("every JDK has SHA-256", impossible);
        }
    }
}
