package embrick.server.trials;

import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.trial.TrialCrop;
import embrick.core.trial.TrialSheet;
import embrick.formats.TrialStrip;
import embrick.formats.TrialStrip.Setting;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.Plans;
import embrick.server.framings.Plans.Planned;
import embrick.server.originals.PictureProblems;
import embrick.server.problems.ProblemException;
import embrick.server.storage.DecodeWatch;
import embrick.server.storage.PictureWork;
import embrick.server.storage.Pictures;
import embrick.server.web.HttpAsker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A small sheet to be printed before a large print: chosen places in several settings, each with its name beneath. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1")
class TrialController {
    /** A crop longer than this is no small one; ten inches at 600 ppi. */
    private static final int MOST_SIDE = 6000;

    private static final double MILLIMETRES_PER_INCH = 25.4;

    private final Plans plans;
    private final Pictures pictures;
    private final PictureWork work;
    private final DecodeWatch process;
    private final TrialStrip strip;

    TrialController(Plans plans, Pictures pictures, PictureWork work, DecodeWatch process, TrialStrip strip) {
        this.plans = plans;
        this.pictures = pictures;
        this.work = work;
        this.process = process;
        this.strip = strip;
    }

    /** The left upper corner of a crop, in the piece's pixels. */
    record TrialPlace(@Min(0) int x, @Min(0) int y) {}

    /** @param words that are printed beneath */
    record TrialSetting(
            @NotBlank @Size(max = 60) String words,
            @NotNull @Valid TicketDocument ticket) {}

    /**
     * @param width of each crop, in the piece's pixels
     * @param height of each crop, in the piece's pixels
     * @param paperWidth millimetres
     * @param paperHeight millimetres
     */
    record TrialWish(
            @Schema(nullable = true) @Valid FramingDocument framing,
            @Schema(nullable = true) @Valid OverrideDocument override,
            @NotNull @Size(min = 1, max = 12) List<@NotNull @Valid TrialSetting> settings,
            @NotNull @Size(min = 1, max = 12) List<@NotNull @Valid TrialPlace> places,
            @Min(16) @Max(MOST_SIDE) int width,
            @Min(16) @Max(MOST_SIDE) int height,
            @DecimalMin("50") @DecimalMax("2000") double paperWidth,
            @DecimalMin("50") @DecimalMax("2000") double paperHeight) {}

    @PostMapping(path = "/originals/{id}/trial-strip", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> makeTrialStrip(
            @PathVariable UUID id, @Valid @RequestBody TrialWish wish, HttpServletRequest http) throws IOException {
        List<Planned> planned = wish.settings().stream()
                .map(setting -> plans.of(id, Plans.Wish.of(setting.ticket(), wish.framing(), wish.override())))
                .toList();
        Planned first = planned.getFirst();
        List<Setting> settings = Stream.iterate(0, i -> i < planned.size(), i -> i + 1)
                .map(i -> new Setting(
                        planned.get(i).requirePlan(), wish.settings().get(i).words()))
                .toList();
        List<PixelRect> places = wish.places().stream()
                .map(place -> new PixelRect(place.x(), place.y(), wish.width(), wish.height()))
                .toList();
        settings.forEach(setting -> places.forEach(place -> requireInside(setting, place)));
        TrialSheet sheet = sheet(wish, settings.getFirst().whole());
        byte[] pdf = PictureProblems.naming(
                first.original(), () -> work.promptly(HttpAsker.of(http), () -> made(first, settings, places, sheet)));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"trial strip.pdf\"")
                .body(pdf);
    }

    private static void requireInside(Setting setting, PixelRect place) {
        PixelRect room = TrialCrop.room(setting.whole());
        if (!room.contains(place)) {
            throw ProblemException.invalid(
                    "outside-picture",
                    "places",
                    "A crop at " + place.x() + ", " + place.y() + " reaches beyond the picture on its sheet, under “"
                            + setting.words() + "”.",
                    "Choose a place inside the picture, or smaller crops.");
        }
    }

    private static TrialSheet sheet(TrialWish wish, Plan plan) {
        TrialSheet sheet = new TrialSheet(wish.paperWidth(), wish.paperHeight());
        double pixel = MILLIMETRES_PER_INCH / plan.marked().toPpi();
        if (!sheet.fits(wish.width() * pixel, wish.height() * pixel)) {
            throw ProblemException.invalid(
                    "crop-too-large",
                    "paper",
                    "A crop of " + Math.round(wish.width() * pixel) + " × " + Math.round(wish.height() * pixel)
                            + " mm does not fit this paper.",
                    "Choose smaller crops, or larger paper.");
        }
        return sheet;
    }

    private byte[] made(Planned first, List<Setting> settings, List<PixelRect> places, TrialSheet sheet)
            throws IOException {
        Path scratch = Files.createTempDirectory(process.scratch(), "trial");
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            strip.write(
                    "Trial strip, " + first.original().path(),
                    settings,
                    places,
                    sheet,
                    scratch,
                    made -> pictures.whole(first.original().place(), first.facts(), opened -> {
                        made.of(opened);
                        return null;
                    }),
                    out);
            return out.toByteArray();
        } finally {
            clear(scratch);
        }
    }

    private static void clear(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(each);
            }
        }
    }
}
