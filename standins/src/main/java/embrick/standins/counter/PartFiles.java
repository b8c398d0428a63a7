package embrick.standins.counter;

import embrick.standins.common.RefusedException;
import embrick.standins.counter.Order.Piece;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The files of pieces as they arrive: what has come stays when the line breaks. */
@Component
class PartFiles {
    private static final int BUFFER = 1 << 16;
    private static final int SECONDS_TO_WAIT = 5;

    private final OrderBook orders;
    private final Map<Path, ReentrantLock> writing = new ConcurrentHashMap<>();

    PartFiles(OrderBook orders) {
        this.orders = orders;
    }

    /** Says after each stretch of bytes whether to go on. */
    interface Watch {
        void took(long bytesOfThisRequest) throws IOException;
    }

    Path file(String order, Piece piece) {
        return orders.folder(order).resolve(piece.number() + "-" + piece.attempt());
    }

    long received(String order, Piece piece) throws IOException {
        Path file = file(order, piece);
        return Files.exists(file) ? Files.size(file) : 0;
    }

    /**
     * Adds a stretch of bytes to a piece's file, and gives how much of it is there then.
     *
     * @param offset where the sender believes to be
     * @throws RefusedException if it is not there, or more comes than was announced
     */
    long append(String order, Piece piece, long offset, InputStream from, Watch watch)
            throws IOException, InterruptedException {
        Path file = file(order, piece);
        ReentrantLock lock = writing.computeIfAbsent(file, _ -> new ReentrantLock());
        // The line of an earlier stretch may be broken without anybody here having noticed.
        if (!lock.tryLock(SECONDS_TO_WAIT, TimeUnit.SECONDS)) {
            throw new RefusedException(HttpStatus.CONFLICT, "busy", "Another stretch of this file is being taken.");
        }
        try {
            long there = received(order, piece);
            if (offset != there) {
                throw new RefusedException(
                        HttpStatus.CONFLICT, "other-offset", "Byte " + there + " is next, not " + offset + ".");
            }
            return there + copy(file, piece.bytes() - there, from, watch);
        } finally {
            lock.unlock();
        }
    }

    private static long copy(Path file, long most, InputStream from, Watch watch) throws IOException {
        long taken = 0;
        byte[] buffer = new byte[BUFFER];
        try (OutputStream out = Files.newOutputStream(file, StandardOpenOption.CREATE, StandardOpenOption.APPEND)) {
            for (int count = from.read(buffer); count > 0; count = from.read(buffer)) {
                if (taken + count > most) {
                    throw RefusedException.invalid("too-many-bytes", "More bytes came than the order announced.");
                }
                out.write(buffer, 0, count);
                taken += count;
                watch.took(taken);
            }
        }
        return taken;
    }

    /** Forgets what has come of a piece, so that it begins anew. */
    void clear(String order, Piece piece) throws IOException {
        Files.deleteIfExists(file(order, piece));
    }

    String sha256(String order, Piece piece) throws IOException {
        try (InputStream in = new DigestInputStream(Files.newInputStream(file(order, piece)), sha256())) {
            in.transferTo(OutputStream.nullOutputStream());
            return HexFormat.of()
                    .formatHex(((DigestInputStream) in).getMessageDigest().digest());
        }
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException(missing);
        }
    }
}
