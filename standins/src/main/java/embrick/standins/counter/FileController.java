package embrick.standins.counter;

import embrick.standins.common.Connections;
import embrick.standins.common.RefusedException;
import embrick.standins.counter.Order.Piece;
import embrick.standins.counter.Order.PieceState;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RestController;

/**
 * The files of an order's pieces, sent in stretches: who was cut off asks where it is and goes on there.
 *
 * <p>Headers after the draft "Resumable Uploads for HTTP" of the IETF's HTTP working group, from memory: {@code Upload-Offset},
 * {@code Upload-Length}, {@code Upload-Complete} and the media type {@code application/partial-upload}.
 */
@RestController
@RequestMapping("/orders/{id}/pieces/{number}/file")
class FileController {
    private static final String OFFSET = "Upload-Offset";
    private static final String COMPLETE = "Upload-Complete";
    private static final String YES = "?1";
    private static final String NO = "?0";
    private static final long MILLIS = 1000;

    private final OrderBook orders;
    private final PartFiles files;
    private final BehaviourController behaviour;
    private final Clock clock;

    FileController(OrderBook orders, PartFiles files, BehaviourController behaviour, Clock clock) {
        this.orders = orders;
        this.files = files;
        this.behaviour = behaviour;
        this.clock = clock;
    }

    @RequestMapping(method = RequestMethod.HEAD)
    ResponseEntity<Void> where(@PathVariable String id, @PathVariable int number) throws IOException {
        Piece piece = orders.piece(id, number);
        return answer(HttpStatus.NO_CONTENT, id, piece);
    }

    @PatchMapping(consumes = "application/partial-upload")
    ResponseEntity<Void> append(
            @PathVariable String id,
            @PathVariable int number,
            @RequestHeader(OFFSET) long offset,
            HttpServletRequest request)
            throws IOException, InterruptedException {
        Piece piece = orders.piece(id, number);
        if (orders.get(id).state().isOver() || piece.state() != PieceState.AWAITED) {
            throw new RefusedException(
                    HttpStatus.CONFLICT, "not-awaited", "No file is awaited for " + piece.name() + ".");
        }
        long there = files.append(id, piece, offset, request.getInputStream(), pace(request));
        if (there == piece.bytes()) {
            finish(id, piece);
        }
        return answer(HttpStatus.NO_CONTENT, id, piece);
    }

    /** Holds the sender to the counter's speed, and breaks the line where it is to break. */
    private PartFiles.Watch pace(HttpServletRequest request) {
        Behaviour now = behaviour.now();
        long begun = System.nanoTime();
        return taken -> {
            if (now.cutAfterBytes() > 0 && taken >= now.cutAfterBytes() && behaviour.takeCut()) {
                throw Connections.cut(request);
            }
            if (now.bytesPerSecond() > 0) {
                long due = taken * MILLIS / now.bytesPerSecond();
                sleep(due - (System.nanoTime() - begun) / 1_000_000);
            }
        };
    }

    private static void sleep(long millis) throws IOException {
        if (millis <= 0) {
            return;
        }
        try {
            Thread.sleep(millis);
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
            throw new IOException("the counter ends", ending);
        }
    }

    /** A file that is not what was announced is not kept: its sender begins it again. */
    private void finish(String id, Piece piece) throws IOException {
        if (!files.sha256(id, piece).equals(piece.sha256())) {
            files.clear(id, piece);
            throw RefusedException.invalid("other-digest", piece.name() + " has another SHA-256 than the order says.");
        }
        orders.change(
                id,
                order -> order.with(piece.number(), old -> received(old, piece)).settled(clock.instant()));
    }

    private static Piece received(Piece old, Piece sent) {
        return old.attempt() == sent.attempt() && old.state() == PieceState.AWAITED
                ? old.in(PieceState.RECEIVED, List.of())
                : old;
    }

    private ResponseEntity<Void> answer(HttpStatus status, String id, Piece piece) throws IOException {
        long there = files.received(id, piece);
        return ResponseEntity.status(status)
                .header(OFFSET, String.valueOf(there))
                .header("Upload-Length", String.valueOf(piece.bytes()))
                .header(COMPLETE, there == piece.bytes() ? YES : NO)
                .header("Cache-Control", "no-store")
                .build();
    }
}
