package embrick.server.deliveries;

import embrick.formats.ContactSheet;
import embrick.server.deliveries.DeliveryController.DeliveredOrder;
import embrick.server.deliveries.DeliveryController.DeliveredPiece;
import embrick.server.deliveries.DeliveryController.DeliveryView;
import embrick.server.runs.DeliveredFiles;
import embrick.server.runs.DeliveredFiles.OnDisk;
import embrick.server.runs.PieceRow;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What goes with a delivery beside its files: the pictures on paper, and the checks. */
@RestController
@RequestMapping("/api/v1")
class EnclosureController {
    private final DeliveryController delivered;
    private final Deliveries deliveries;
    private final DeliveryList list;
    private final DeliveredFiles files;
    private final ContactSheet sheet;
    private final Certificate certificate;

    EnclosureController(
            DeliveryController delivered,
            Deliveries deliveries,
            DeliveryList list,
            DeliveredFiles files,
            ContactSheet sheet,
            Certificate certificate) {
        this.certificate = certificate;
        this.delivered = delivered;
        this.deliveries = deliveries;
        this.list = list;
        this.files = files;
        this.sheet = sheet;
    }

    /**
     * All pieces of a run as small pictures, twenty to a page, in the order of the run: each with its number, name, size and
     * what its check came to. A piece that is missing, or not as it was checked, stands there by its words alone.
     */
    @GetMapping(path = "/runs/{runId}/contact-sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<StreamingResponseBody> getContactSheet(
            @PathVariable UUID runId, @RequestParam(defaultValue = "A4") ContactSheet.Paper paper) {
        DeliveryView delivery = delivered.getDelivery(runId);
        Map<UUID, PieceRow> checked =
                deliveries.checked(runId).stream().collect(Collectors.toMap(PieceRow::id, Function.identity()));
        List<DeliveryList.Line> lines = list.lines(delivery);
        List<ContactSheet.Cell> cells = new ArrayList<>();
        for (DeliveryList.Line line : lines) {
            Optional<Path> file = Optional.ofNullable(checked.get(line.piece().pieceId()))
                    .filter(_ -> line.piece().onDisk() == OnDisk.PRESENT)
                    .map(files::place);
            cells.add(new ContactSheet.Cell(file, words(cells.size() + 1, line)));
        }
        String title =
                delivery.orders().stream().map(DeliveredOrder::ticketName).collect(Collectors.joining(", "));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        DeliveryController.attachment(nameOf(delivery) + " contact sheet.pdf"))
                .body(out -> sheet.write(title, paper, cells, out));
    }

    /** What was asked and what the checks found: tickets, digests, pixels, ppi, profiles; with a digest of its own. */
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(type = "object")))
    @GetMapping(path = "/runs/{runId}/certificate.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> getCertificate(@PathVariable UUID runId) {
        DeliveryView delivery = delivered.getDelivery(runId);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        DeliveryController.attachment(nameOf(delivery) + " certificate.json"))
                .body(certificate.of(delivery));
    }

    private static String nameOf(DeliveryView delivery) {
        return DeliveryController.nameOf(
                delivery.orders().stream().map(DeliveredOrder::folder).toList());
    }

    private static List<String> words(int number, DeliveryList.Line line) {
        DeliveredPiece piece = line.piece();
        String copies = piece.copies() > 1 ? " × " + piece.copies() : "";
        String size = piece.width() == 0
                ? ""
                : rounded(piece.width() / piece.ppi()) + " × " + rounded(piece.height() / piece.ppi()) + " in, "
                        + piece.width() + " × " + piece.height() + " px, " + rounded(piece.ppi()) + " ppi";
        String verdict = line.plan() == null
                ? ""
                : ", " + DeliveryList.word(line.plan().figures().verdict());
        return List.of(number + copies + "  " + piece.name(), size, piece.check() + verdict);
    }

    private static String rounded(double number) {
        return BigDecimal.valueOf(number)
                .setScale(2, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
