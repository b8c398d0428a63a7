package embrick.server.deliveries;

import embrick.core.lift.Halo;
import embrick.core.plan.Plan;
import embrick.formats.Formats;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.Run;
import embrick.server.runs.RunService;
import embrick.server.storage.Storage;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a run left behind: where it is, its list as JSON and CSV, its ZIP, each piece, and the way back from an original. */
@RestController
@RequestMapping("/api/v1")
class DeliveryController {
    private static final String CSV = "text/csv;charset=UTF-8";
    private static final String ZIP = "application/zip";

    private final RunService runs;
    private final PieceRepository pieces;
    private final Storage storage;
    private final StoredJson json;
    private final Formats formats;

    DeliveryController(RunService runs, PieceRepository pieces, Storage storage, StoredJson json, Formats formats) {
        this.formats = formats;
        this.runs = runs;
        this.pieces = pieces;
        this.storage = storage;
        this.json = json;
    }

    record DeliveredPiece(
            @NotNull UUID pieceId,
            @NotNull String name,
            @NotNull UUID originalId,
            @NotNull String originalPath,
            @NotNull Piece.State state,
            int width,
            int height,
            double ppi,
            @Schema(nullable = true) Long fileBytes,
            @Schema(nullable = true) String sha256,
            @Schema(nullable = true) Double haloPercent,
            boolean haloNoticed,
            @Schema(nullable = true) String trouble) {}

    record DeliveryView(
            @NotNull UUID runId,
            @NotNull UUID jobId,
            @NotNull String ticketName,
            @NotNull String folder,
            @NotNull String place,
            boolean isForBooks,
            @NotNull Instant startedAt,
            @Schema(nullable = true) Instant finishedAt,
            @NotNull List<DeliveredPiece> pieces) {}

    @GetMapping(path = "/runs/{runId}/delivery", produces = MediaType.APPLICATION_JSON_VALUE)
    DeliveryView delivery(@PathVariable UUID runId) {
        Run run = runs.get(runId);
        return new DeliveryView(
                run.id(),
                run.jobId(),
                json.ticket(run.ticketDocument()).name(),
                run.folder(),
                storage.delivery(run.folder()).toString(),
                Formats.isForBooks(TicketDocuments.toTicket(json.ticket(run.ticketDocument()))
                        .file()),
                run.startedAt(),
                run.finishedAt().orElse(null),
                pieces.findByRunIdOrderByPosition(runId).stream()
                        .map(piece -> piece(piece, run))
                        .toList());
    }

    private DeliveredPiece piece(Piece piece, Run run) {
        return new DeliveredPiece(
                piece.id(),
                piece.name(),
                piece.originalId(),
                piece.originalPath(),
                piece.state(),
                piece.width(),
                piece.height(),
                json.ticket(run.ticketDocument()).ppi().doubleValue(),
                piece.fileBytes().orElse(null),
                piece.digest().orElse(null),
                piece.haloPercent().orElse(null),
                piece.haloPercent()
                        .filter(percent -> percent > Halo.NOTICED_FROM)
                        .isPresent(),
                piece.trouble().map(trouble -> trouble.text()).orElse(null));
    }

    /** RFC 4180, one line a piece. */
    @GetMapping(path = "/runs/{runId}/delivery.csv", produces = CSV)
    ResponseEntity<byte[]> csv(@PathVariable UUID runId) {
        DeliveryView delivery = delivery(runId);
        StringBuilder csv =
                new StringBuilder("piece,original,width_px,height_px,ppi,bytes,sha256,halo_percent,check\r\n");
        for (DeliveredPiece piece : delivery.pieces()) {
            csv.append(Csv.line(
                    piece.name(),
                    piece.originalPath(),
                    piece.width(),
                    piece.height(),
                    piece.ppi(),
                    piece.fileBytes() == null ? "" : piece.fileBytes(),
                    piece.sha256() == null ? "" : piece.sha256(),
                    piece.haloPercent() == null ? "" : piece.haloPercent(),
                    piece.trouble() == null
                            ? piece.state().name().toLowerCase(java.util.Locale.ROOT)
                            : piece.trouble()));
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(lastPart(delivery.folder()) + ".csv"))
                .body(csv.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** All checked pieces and their list, streamed; pictures are stored, not packed again. */
    @GetMapping(path = "/runs/{runId}/delivery.zip", produces = ZIP)
    void zip(@PathVariable UUID runId, HttpServletResponse response) throws IOException {
        DeliveryView delivery = delivery(runId);
        Path folder = Path.of(delivery.place());
        String name = lastPart(delivery.folder());
        response.setContentType(ZIP);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attachment(name + ".zip"));
        try (ZipOutputStream zip = new ZipOutputStream(response.getOutputStream(), StandardCharsets.UTF_8)) {
            zip.setLevel(Deflater.NO_COMPRESSION);
            for (DeliveredPiece piece : delivery.pieces()) {
                if (piece.state() == Piece.State.CHECKED) {
                    zip.putNextEntry(new ZipEntry(name + "/" + piece.name()));
                    Files.copy(folder.resolve(piece.name()), zip);
                    zip.closeEntry();
                }
            }
            zip.putNextEntry(new ZipEntry(name + "/list.csv"));
            zip.write(csv(runId).getBody());
            zip.closeEntry();
        }
    }

    /** All checked JPEG and PDF pieces as the pages of one PDF, in the order of the run; their pixels stay packed as they are. */
    @GetMapping(path = "/runs/{runId}/delivery.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    void book(@PathVariable UUID runId, HttpServletResponse response) throws IOException {
        Run run = runs.get(runId);
        Path folder = storage.delivery(run.folder());
        List<Formats.BookPage> pages = new ArrayList<>();
        for (Piece piece : pieces.findByRunIdOrderByPosition(runId)) {
            if (piece.state() == Piece.State.CHECKED && piece.plan().isPresent()) {
                Plan plan = json.plan(piece.plan().get());
                if (!Formats.isForBooks(plan.file())) {
                    throw ProblemException.invalid(
                            "no-book",
                            piece.name(),
                            "A book is made of JPEG or PDF pieces, and " + piece.name() + " is neither.",
                            "Say JPEG or PDF on the ticket and run it again.");
                }
                pages.add(new Formats.BookPage(folder.resolve(piece.name()), plan));
            }
        }
        if (pages.isEmpty()) {
            throw ProblemException.invalid(
                    "no-book", run.folder(), "No piece is finished yet.", "Wait for the run, or see what went wrong.");
        }
        String name = lastPart(run.folder());
        response.setContentType(MediaType.APPLICATION_PDF_VALUE);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attachment(name + ".pdf"));
        formats.writeBook(name, pages, response.getOutputStream());
    }

    @GetMapping(path = "/pieces/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> file(@PathVariable UUID id) {
        Piece piece = pieces.findById(id)
                .filter(found -> found.state() == Piece.State.CHECKED)
                .orElseThrow(() -> ProblemException.notFound("finished piece"));
        Path file = storage.delivery(runs.get(piece.runId()).folder()).resolve(piece.name());
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(piece.name()))
                .body(new FileSystemResource(file));
    }

    record MadePiece(
            @NotNull UUID runId,
            @NotNull String folder,
            @NotNull DeliveredPiece piece) {}

    /** The other way: everything that was ever made from one original. */
    @GetMapping("/originals/{id}/pieces")
    List<MadePiece> madeFrom(@PathVariable UUID id) {
        return pieces.findByOriginalIdOrderByChangedAtDesc(id).stream()
                .map(piece -> {
                    Run run = runs.get(piece.runId());
                    return new MadePiece(run.id(), run.folder(), piece(piece, run));
                })
                .toList();
    }

    private static String lastPart(String folder) {
        return folder.substring(folder.lastIndexOf('/') + 1);
    }

    private static String attachment(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }
}
