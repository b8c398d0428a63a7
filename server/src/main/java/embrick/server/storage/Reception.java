package embrick.server.storage;

import embrick.server.storage.UploadRefusedException.Reason;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.zip.CRC32;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Writes files that arrive into {@code incoming/}, within a size, within the disk's room and at a least speed, and forces
 * them to the disk. What was arriving when the process ended is swept at the next start.
 */
@Component
public class Reception {
    private static final Logger LOG = LoggerFactory.getLogger(Reception.class);

    /** The disk's room is looked at again after so many bytes. */
    private static final long LOOK_BYTES = 64L << 20;

    /** An upload that brings less than this in each such time has been given up by its sender. */
    private static final long LEAST_BYTES = 16 << 10;

    private static final long LEAST_NANOS = 30_000_000_000L;

    private final Storage storage;
    private final StorageSettings settings;
    private final ReadingLane lane;

    Reception(Storage storage, StorageSettings settings, ReadingLane lane) {
        this.lane = lane;
        this.storage = storage;
        this.settings = settings;
    }

    /**
     * Takes one file in.
     *
     * @param length as its sender says; empty if it does not
     * @throws UploadRefusedException if it is too large or too slow, or ends early
     * @throws StorageFullException if the disk has no room for it
     */
    public Arrival receive(InputStream content, OptionalLong length) throws IOException {
        requireSize(length.orElse(0));
        requireRoom(length.orElse(0));
        Path part = storage.incoming().resolve(UUID.randomUUID() + ".part");
        try (ReadingLane.Upload _ = lane.giveWay()) {
            Fingerprint fingerprint = write(content, part);
            if (length.isPresent() && length.getAsLong() != fingerprint.bytes()) {
                throw new UploadRefusedException(
                        Reason.BROKEN_OFF,
                        "ended after " + fingerprint.bytes() + " of " + length.getAsLong() + " bytes");
            }
            return new Arrival(part, fingerprint);
        } catch (IOException failed) {
            Files.deleteIfExists(part);
            if (Storage.isFull(failed)) {
                throw new StorageFullException(failed.getMessage());
            }
            throw failed;
        } catch (RuntimeException failed) {
            Files.deleteIfExists(part);
            throw failed;
        }
    }

    private Fingerprint write(InputStream content, Path part) throws IOException {
        MessageDigest digest = Storage.sha256();
        CRC32 crc = new CRC32();
        long bytes = 0;
        long nextLook = LOOK_BYTES;
        long sinceNanos = System.nanoTime();
        long sinceBytes = 0;
        byte[] buffer = new byte[1 << 16];
        try (FileChannel out = FileChannel.open(part, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            for (int read = content.read(buffer); read >= 0; read = content.read(buffer)) {
                digest.update(buffer, 0, read);
                crc.update(buffer, 0, read);
                for (ByteBuffer left = ByteBuffer.wrap(buffer, 0, read); left.hasRemaining(); ) {
                    out.write(left);
                }
                bytes += read;
                if (bytes >= nextLook) {
                    nextLook += LOOK_BYTES;
                    requireSize(bytes);
                    requireRoom(0);
                }
                long now = System.nanoTime();
                if (now - sinceNanos > LEAST_NANOS) {
                    if (bytes - sinceBytes < LEAST_BYTES) {
                        throw new UploadRefusedException(
                                Reason.TOO_SLOW, "brought " + (bytes - sinceBytes) + " bytes in half a minute");
                    }
                    sinceNanos = now;
                    sinceBytes = bytes;
                }
            }
            requireSize(bytes);
            out.force(true);
        }
        return new Fingerprint(HexFormat.of().formatHex(digest.digest()), crc.getValue(), bytes);
    }

    private void requireSize(long bytes) throws UploadRefusedException {
        if (bytes > settings.largestUpload().toBytes()) {
            throw new UploadRefusedException(
                    Reason.TOO_LARGE,
                    "is larger than " + settings.largestUpload().toMegabytes() + " MB, the most for one file");
        }
    }

    private void requireRoom(long bytes) throws IOException {
        if (storage.freeBytes() - bytes < settings.reserve().toBytes()) {
            throw new StorageFullException("the storage disk has no room for it");
        }
    }

    /** Deletes what was arriving when an earlier process ended. Only one process takes files in. */
    public void sweep() {
        Storage.forEachFile(storage.incoming(), "*.part", part -> {
            Files.deleteIfExists(part);
            LOG.info("removed {}, left from an earlier time", part.getFileName());
        });
    }
}
