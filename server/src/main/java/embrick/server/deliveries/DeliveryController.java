package embrick.server.deliveries;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.core.problem.Problem;
import embrick.core.sharpen.Halo;
import embrick.formats.Book;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.DeliveredFiles.OnDisk;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRow;
import embrick.server.runs.Run;
import embrick.server.runs.RunOrder;
import embrick.server.runs.RunOrders;
import embrick.server.runs.RunService;
import embrick.server.storage.DeliveryFolders;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What a run left behind: where it is, its list as JSON and CSV, its ZIP, each piece, and the way back from an original. */
@RestController
@RequestMapping("/api/v1")
class DeliveryController {
    private static final String CSV = "text/csv;charset=UTF-8";
    private static final String ZIP = "application/zip";

    private final RunService runs;
    private final RunOrders orders;
    private final Deliveries deliveries;
    private final DeliveryList list;
    private final Certificate certificate;
    private final DeliveredFiles files;
    private final DeliveryFolders folders;
    private final StoredJson json;
    private final Book book;

    DeliveryController(
            RunService runs,
            RunOrders orders,
            Deliveries deliveries,
            DeliveryList list,
            Certificate certificate,
            DeliveredFiles files,
            DeliveryFolders folders,
            StoredJson json,
            Book book) {
        this.orders = orders;
        this.list = list;
        this.certificate = certificate;
        this.files = files;
        this.book = book;
        this.runs = runs;
        this.deliveries = deliveries;
        this.folders = folders;
        this.json = json;
    }

    /**
     * @param onDisk what lies in the delivery under the name of a finished piece; null while it is not finished
     */
    record DeliveredPiece(
            @NotNull UUID pieceId,
            @NotNull UUID orderId,
            @NotNull String name,
            int copies,
            @NotNull UUID originalId,
            @NotNull String originalPath,
            @NotNull Piece.State state,
            int width,
            int height,
            double ppi,
            @Schema(nullable = true) Long fileBytes,
            @Schema(nullable = true) String digest,
            @Schema(nullable = true) Double haloPercent,
            boolean haloNoticed,
            @Schema(nullable = true) Integer jpegQuality,
            @Schema(nullable = true) OnDisk onDisk,
            @Schema(nullable = true) String problem) {
        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true, nullable = true)
        String sha256() {
            return digest;
        }

        /** The check's outcome in a word, or what is wrong. */
        String check() {
            if (problem != null) {
                return problem;
            }
            return onDisk == OnDisk.MISSING || onDisk == OnDisk.CHANGED
                    ? onDisk.name().toLowerCase(Locale.ROOT) + " in its folder"
                    : state.name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * What one ticket of the run came to.
     *
     * @param place the folder on the server's disk
     * @param isForBooks whether its pieces can be the pages of a PDF
     */
    record DeliveredOrder(
            @NotNull UUID id,
            @NotNull String ticketName,
            @NotNull String folder,
            @NotNull String place,
            boolean isForBooks) {}

    record DeliveryView(
            @NotNull UUID runId,
            @NotNull UUID jobId,

            @Schema(description = "Of its first order") @NotNull
            String ticketName,

            @Schema(description = "Of its first order") @NotNull
            String folder,

            @Schema(description = "Of its first order") @NotNull
            String place,

            @Schema(description = "Of its first order") boolean isForBooks,
            @NotNull List<DeliveredOrder> orders,
            @NotNull Instant startedAt,
            @Schema(nullable = true) Instant finishedAt,
            @NotNull List<DeliveredPiece> pieces) {}

    @GetMapping(path = "/runs/{runId}/delivery", produces = MediaType.APPLICATION_JSON_VALUE)
    DeliveryView getDelivery(@PathVariable UUID runId) {
        Run run = runs.get(runId);
        Map<UUID, TicketDocument> tickets = new LinkedHashMap<>();
        List<DeliveredOrder> ordered = new ArrayList<>();
        for (RunOrder order : orders.of(runId)) {
            TicketDocument ticket = json.ticket(order.ticketDocument());
            tickets.put(order.id(), ticket);
            ordered.add(new DeliveredOrder(
                    order.id(),
                    ticket.name(),
                    order.folder(),
                    folders.shown(order.place()),
                    Book.takes(TicketDocuments.toTicket(ticket).file())));
        }
        DeliveredOrder first = ordered.getFirst();
        return new DeliveryView(
                run.id(),
                run.jobId(),
                first.ticketName(),
                first.folder(),
                first.place(),
                first.isForBooks(),
                ordered,
                run.startedAt(),
                run.finishedAt().orElse(null),
                deliveries.pieces(runId).stream()
                        .map(piece -> piece(piece, tickets.get(piece.orderId())))
                        .toList());
    }

    private DeliveredPiece piece(PieceRow piece, TicketDocument ticket) {
        return new DeliveredPiece(
                piece.id(),
                piece.orderId(),
                piece.name(),
                piece.copies(),
                piece.originalId(),
                piece.originalPath(),
                piece.state(),
                piece.width(),
                piece.height(),
                piece.markedPpi().orElse(ticket.ppi().doubleValue()),
                piece.fileBytes().orElse(null),
                piece.digest().orElse(null),
                piece.haloPercent().orElse(null),
                piece.haloPercent()
                        .filter(percent -> percent > Halo.NOTICED_FROM)
                        .isPresent(),
                piece.jpegQuality().orElse(null),
                files.look(piece).orElse(null),
                piece.problem().map(Problem::text).orElse(null));
    }

    /** RFC 4180 in UTF-8 with its mark, one line a piece. */
    @GetMapping(path = "/runs/{runId}/delivery.csv", produces = CSV)
    ResponseEntity<byte[]> getDeliveryList(@PathVariable UUID runId) {
        DeliveryView delivery = getDelivery(runId);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        attachment(nameOf(delivery.orders().stream()
                                        .map(DeliveredOrder::folder)
                                        .toList()) + ".csv"))
                .body(list.csv(list.lines(delivery)));
    }

    /**
     * All checked pieces, their list and their certificate; pictures are stored, not packed again. A piece whose file is missing or changed is
     * told before anything is sent, unless only what is {@code present} is wanted: the list then says what is not. A download
     * that broke off is taken up again by {@code Range}; {@code If-Range} with the ETag tells whether it is still the same.
     */
    @GetMapping(path = "/runs/{runId}/delivery.zip", produces = ZIP)
    ResponseEntity<StreamingResponseBody> getDeliveryZip(
            @PathVariable UUID runId,
            @RequestParam(defaultValue = "ALL") ZipOf of,
            @RequestHeader(name = HttpHeaders.RANGE, required = false) String range,
            @RequestHeader(name = HttpHeaders.IF_RANGE, required = false) String ifRange) {
        runs.get(runId);
        List<String> folders = orders.of(runId).stream().map(RunOrder::folder).toList();
        String name = nameOf(folders);
        List<StoredZip.Entry> entries = new ArrayList<>();
        List<PieceRow> lost = new ArrayList<>();
        for (PieceRow piece : deliveries.checked(runId)) {
            Path file = files.place(piece);
            // Several orders have a folder each in the ZIP's own.
            String folder = folders.size() == 1 ? name : name + "/" + lastPart(piece.folder());
            files.fingerprint(piece)
                    .ifPresentOrElse(
                            found -> entries.add(new StoredZip.Entry(
                                    folder + "/" + piece.name(),
                                    found.bytes(),
                                    found.crc32(),
                                    () -> Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS))),
                            () -> lost.add(piece));
        }
        if (of == ZipOf.ALL) {
            Deliveries.requireNoneLost(lost);
        }
        DeliveryView delivery = getDelivery(runId);
        List<DeliveryList.Line> lines = list.lines(delivery);
        entries.add(StoredZip.Entry.of(name + "/certificate.json", certificate.of(delivery)));
        entries.add(StoredZip.Entry.of(name + "/list.csv", list.csv(lines)));
        entries.add(StoredZip.Entry.of(name + "/list.json", list.json(lines)));
        StoredZip zip = new StoredZip(entries);
        return ZipAnswer.of(zip, range, ifRange, attachment(name + ".zip"));
    }

    /** What a ZIP holds. */
    enum ZipOf {
        /** Every checked piece, or none. */
        ALL,
        /** Those whose files are as they were checked. */
        PRESENT
    }

    /** All checked JPEG and PDF pieces as the pages of one PDF, in the order of the run; their pixels stay packed as they are. */
    @GetMapping(path = "/runs/{runId}/delivery.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<StreamingResponseBody> getDeliveryBook(
            @PathVariable UUID runId,
            @Parameter(description = "The order whose pieces are wanted; all of the run without it")
                    @RequestParam(required = false)
                    UUID order) {
        runs.get(runId);
        List<Book.Page> pages = deliveries.pages(runId, Optional.ofNullable(order));
        String name = nameOf(orders.of(runId).stream()
                .filter(one -> order == null || one.id().equals(order))
                .map(RunOrder::folder)
                .toList());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(name + ".pdf"))
                .body(out -> book.write(name, pages, out));
    }

    @GetMapping(path = "/pieces/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> getPieceFile(@PathVariable UUID id) {
        PieceRow piece = deliveries.checkedPiece(id);
        deliveries.requireIntact(List.of(piece));
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        attachment(piece.name().substring(piece.name().lastIndexOf('/') + 1)))
                .body(new FileSystemResource(files.place(piece)));
    }

    record MadePiece(
            @NotNull UUID runId,
            @NotNull String folder,
            @NotNull DeliveredPiece piece) {}

    /** The other way: everything that was ever made from one original. */
    @GetMapping("/originals/{id}/pieces")
    List<MadePiece> listPiecesOfOriginal(@PathVariable UUID id) {
        return deliveries.piecesOfOriginal(id).stream()
                .map(piece -> {
                    RunOrder order = orders.get(piece.orderId());
                    return new MadePiece(
                            order.runId(), order.folder(), piece(piece, json.ticket(order.ticketDocument())));
                })
                .toList();
    }

    /** What a download of these folders is called: after the folder, or after the job that several lie in. */
    static String nameOf(List<String> folders) {
        return folders.size() == 1
                ? lastPart(folders.getFirst())
                : folders.getFirst().substring(0, folders.getFirst().indexOf('/'));
    }

    private static String lastPart(String folder) {
        return folder.substring(folder.lastIndexOf('/') + 1);
    }

    static String attachment(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }
}
