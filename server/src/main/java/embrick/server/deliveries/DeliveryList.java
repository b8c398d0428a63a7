package embrick.server.deliveries;

import embrick.core.colour.ProfileRef;
import embrick.core.plan.Plan;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.source.SourceFacts.Pages;
import embrick.server.deliveries.DeliveryController.DeliveredOrder;
import embrick.server.deliveries.DeliveryController.DeliveredPiece;
import embrick.server.deliveries.DeliveryController.DeliveryView;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.profiles.PictureProfiles;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The list that goes with a delivery: a line for each piece, with what was asked, what came of it, and its original. */
@Component
class DeliveryList {
    /** By which spreadsheets know UTF-8. */
    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private final PieceRepository pieces;
    private final OriginalRepository originals;
    private final PictureProfiles profiles;
    private final StoredJson json;
    private final JsonMapper mapper;

    /** In the order of the list; new ones stand at its end, where nobody's sheet is upset by them. */
    private final List<Column> columns = List.of(
            new Column("piece", line -> line.piece().name()),
            new Column("original", line -> line.piece().originalPath()),
            new Column("width_px", line -> line.piece().width()),
            new Column("height_px", line -> line.piece().height()),
            new Column("ppi", line -> line.piece().ppi()),
            new Column("bytes", line -> line.piece().fileBytes()),
            new Column("sha256", line -> line.piece().digest()),
            new Column("halo_percent", line -> line.piece().haloPercent()),
            new Column("check", line -> line.piece().check()),
            new Column("copies", line -> line.piece().copies()),
            new Column("ticket", line -> line.order().ticketName()),
            new Column("folder", line -> line.order().folder()),
            Column.ofPlan("real_ppi", plan -> Math.round(plan.figures().realPpi() * 10) / 10.0),
            Column.ofPlan("verdict", plan -> word(plan.figures().verdict())),
            Column.ofPlan("profile", plan -> profile(plan.colour().to())),
            Column.ofPlan(
                    "method",
                    plan -> plan.keepsPixels()
                            ? "pixels kept"
                            : word(plan.resampling().method())),
            Column.ofPlan(
                    "sharpening",
                    plan -> plan.sharpening().map(DeliveryList::words).orElse("none")),
            Column.ofOriginal("original_sha256", Original::digest),
            Column.ofOriginal("original_page", this::page),
            Column.ofOriginal(
                    "original_title", original -> original.said().title().orElse(null)),
            new Column("jpeg_quality", line -> line.piece().jpegQuality()));

    DeliveryList(
            PieceRepository pieces,
            OriginalRepository originals,
            PictureProfiles profiles,
            StoredJson json,
            JsonMapper mapper) {
        this.pieces = pieces;
        this.originals = originals;
        this.profiles = profiles;
        this.json = json;
        this.mapper = mapper;
    }

    /**
     * What is known of a piece.
     *
     * @param original null where it was deleted since
     * @param plan null where the picture had none
     */
    record Line(DeliveredPiece piece, DeliveredOrder order, Original original, Plan plan) {}

    /** @param value null for an empty field */
    private record Column(String name, Function<Line, Object> value) {
        static Column ofPlan(String name, Function<Plan, Object> value) {
            return new Column(name, line -> line.plan() == null ? null : value.apply(line.plan()));
        }

        static Column ofOriginal(String name, Function<Original, Object> value) {
            return new Column(name, line -> line.original() == null ? null : value.apply(line.original()));
        }
    }

    /** RFC 4180, in UTF-8 with its mark. */
    byte[] csv(List<Line> lines) {
        StringBuilder csv = new StringBuilder(BYTE_ORDER_MARK);
        csv.append(Csv.line(columns.stream().map(Column::name).toArray()));
        lines.forEach(line -> csv.append(Csv.line(columns.stream()
                .map(column -> Optional.ofNullable(column.value().apply(line)).orElse(""))
                .toArray())));
        return csv.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** The same lines as objects, by the names of the columns. */
    byte[] json(List<Line> lines) {
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(named(lines));
    }

    /** The same lines by the names of the columns. */
    List<Map<String, Object>> named(List<Line> lines) {
        return lines.stream().map(this::named).toList();
    }

    private Map<String, Object> named(Line line) {
        Map<String, Object> named = new LinkedHashMap<>();
        columns.forEach(column -> named.put(column.name(), column.value().apply(line)));
        return named;
    }

    List<Line> lines(DeliveryView delivery) {
        Map<UUID, DeliveredOrder> orders =
                delivery.orders().stream().collect(Collectors.toMap(DeliveredOrder::id, Function.identity()));
        Map<UUID, Piece> stored = pieces.findByRunIdOrderByPosition(delivery.runId()).stream()
                .collect(Collectors.toMap(Piece::id, Function.identity()));
        Map<UUID, Original> found =
                originals
                        .findAllById(delivery.pieces().stream()
                                .map(DeliveredPiece::originalId)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(Original::id, Function.identity()));
        return delivery.pieces().stream()
                .map(piece -> new Line(
                        piece,
                        orders.get(piece.orderId()),
                        found.get(piece.originalId()),
                        stored.get(piece.pieceId()).plan().map(json::plan).orElse(null)))
                .toList();
    }

    private String profile(ProfileRef to) {
        return switch (to) {
            case ProfileRef.Icc icc -> profiles.title(icc.digest());
            case ProfileRef.Srgb _ -> "sRGB";
            case ProfileRef.AssumedGrey _ -> "grey with the tone curve of sRGB";
        };
    }

    /** Only of files with several: the first is the one that is printed. */
    private Object page(Original original) {
        return original.facts()
                        .map(json::facts)
                        .filter(facts -> facts.pages() == Pages.FIRST_OF_SEVERAL)
                        .isPresent()
                ? 1
                : null;
    }

    private static String words(SharpeningSettings sharpening) {
        return switch (sharpening) {
            case UnsharpMasking masking ->
                String.format(
                        Locale.ROOT,
                        "amount %.2f, sigma %.2f px, threshold %.3f",
                        masking.amount(),
                        masking.sigmaPixels(),
                        masking.threshold());
            case Deconvolution(Deconvolution.Spread.Gaussian spread, int steps, double threshold) ->
                String.format(
                        Locale.ROOT,
                        "blur undone: sigma %.2f px, %d steps, threshold %.3f",
                        spread.sigmaPixels(),
                        steps,
                        threshold);
            case Deconvolution(Deconvolution.Spread.Line line, int steps, double threshold) ->
                String.format(
                        Locale.ROOT,
                        "movement undone: %.1f px at %.0f degrees, %d steps, threshold %.3f",
                        line.lengthPixels(),
                        line.degrees(),
                        steps,
                        threshold);
        };
    }

    static String word(Object value) {
        return value.toString().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
