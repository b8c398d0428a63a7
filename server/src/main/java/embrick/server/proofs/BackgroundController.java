package embrick.server.proofs;

import embrick.core.grown.Grown;
import embrick.core.grown.LikenessMap;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.server.backgrounds.BackgroundDeclinedException;
import embrick.server.backgrounds.Backgrounds;
import embrick.server.backgrounds.Backgrounds.State;
import embrick.server.framings.PlanRequest;
import embrick.server.framings.Plans;
import embrick.server.originals.PictureProblems;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Backgrounds that are grown for pictures, before any file is made. */
@RestController
@RequestMapping("/api/v1")
class BackgroundController {
    /** Under this likeness what was grown is worth a look. */
    private static final double WEAK = 0.6;
    /** Pixels of the total to one of the map's picture. */
    private static final int MAP_STEP = 8;
    /** The map's colour, without its cover. */
    private static final int MAP_RGB = 0xD46B08;

    private final Plans plans;
    private final Backgrounds backgrounds;

    BackgroundController(Plans plans, Backgrounds backgrounds) {
        this.plans = plans;
        this.backgrounds = backgrounds;
    }

    /** How far a background is. */
    enum BackgroundState {
        /** The plan grows none. */
        NONE,
        GROWING,
        READY,
        DECLINED
    }

    /**
     * @param key by which it is accepted
     * @param share of the growing that is done, 0 to 1
     * @param likeness how well it goes with the picture, 0 to 1
     * @param weakShare of what was grown that is worth a look, 0 to 1
     * @param reason why it was declined, and the remedy
     * @param places where, in pixels of the total
     */
    record BackgroundView(
            @NotNull BackgroundState state,
            @Schema(nullable = true) String key,
            double share,
            double likeness,
            double weakShare,
            @Schema(nullable = true) String reason,
            @Schema(nullable = true) String remedy,
            @NotNull List<BackgroundPlace> places) {
        static BackgroundView none() {
            return new BackgroundView(BackgroundState.NONE, null, 0, 0, 0, null, null, List.of());
        }

        static BackgroundView growing(String key, double share) {
            return new BackgroundView(BackgroundState.GROWING, key, share, 0, 0, null, null, List.of());
        }

        static BackgroundView ready(String key, LikenessMap likeness) {
            return new BackgroundView(
                    BackgroundState.READY, key, 1, likeness.mean(), likeness.shareBelow(WEAK), null, null, List.of());
        }

        static BackgroundView declined(String key, Grown.Declined declined, Plan plan) {
            PixelRect origin = origin(plan);
            return new BackgroundView(
                    BackgroundState.DECLINED,
                    key,
                    1,
                    0,
                    0,
                    BackgroundDeclinedException.sentence(declined.reason()),
                    BackgroundDeclinedException.advice(),
                    declined.places().stream()
                            .map(place -> new BackgroundPlace(
                                    place.x() + origin.x(), place.y() + origin.y(), place.width(), place.height()))
                            .toList());
        }
    }

    record BackgroundPlace(int x, int y, int width, int height) {}

    /** Where the area that it is grown in lies on the total. */
    private static PixelRect origin(Plan plan) {
        boolean isTotal = plan.growing().orElseThrow().bands();
        return isTotal
                ? PixelRect.whole(plan.total())
                : plan.extension().bands().onTotal(plan.ground());
    }

    /** The background of a picture under a ticket; it begins to be grown where that has not been done. Ask again until it is there. */
    @PostMapping("/originals/{id}/background")
    BackgroundView growBackground(@PathVariable UUID id, @Valid @RequestBody PlanRequest request) throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        Plan plan = planned.requirePlan();
        if (plan.growing().isEmpty()) {
            return BackgroundView.none();
        }
        Backgrounds.Wanted wanted = new Backgrounds.Wanted(planned.original().place(), planned.facts(), plan);
        String key = backgrounds.key(wanted);
        return switch (PictureProblems.naming(planned.original(), () -> backgrounds.look(wanted))) {
            case State.Growing growing -> BackgroundView.growing(key, growing.share());
            case State.Ready ready -> BackgroundView.ready(key, ready.likeness());
            case State.Declined declined -> BackgroundView.declined(key, declined.why(), plan);
        };
    }

    /** A picture to lay over the whole proof: the less a place that was grown is like the picture, the more it covers. */
    @PostMapping(path = "/originals/{id}/background/likeness", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> renderBackgroundLikeness(@PathVariable UUID id, @Valid @RequestBody PlanRequest request)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        Plan plan = planned.requirePlan();
        Optional<LikenessMap> map = plan.growing().isEmpty() ? Optional.empty() : map(planned, plan);
        BufferedImage picture = picture(plan, map.orElseThrow(BackgroundController::notGrown));
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(png.toByteArray());
    }

    private Optional<LikenessMap> map(Plans.Planned planned, Plan plan) throws IOException {
        Backgrounds.Wanted wanted = new Backgrounds.Wanted(planned.original().place(), planned.facts(), plan);
        return backgrounds.look(wanted) instanceof State.Ready(LikenessMap likeness)
                ? Optional.of(likeness)
                : Optional.empty();
    }

    private static ProblemException notGrown() {
        return new ProblemException(
                HttpStatus.CONFLICT,
                "background-not-grown",
                "background",
                "There is no grown background here yet.",
                "Ask for it first, and wait until it is there.");
    }

    private static BufferedImage picture(Plan plan, LikenessMap map) {
        PixelRect origin = origin(plan);
        int width = Math.max(1, plan.total().width() / MAP_STEP);
        int height = Math.max(1, plan.total().height() / MAP_STEP);
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int column = (x * MAP_STEP + MAP_STEP / 2 - origin.x()) / LikenessMap.CELL;
                int row = (y * MAP_STEP + MAP_STEP / 2 - origin.y()) / LikenessMap.CELL;
                if (column >= 0 && row >= 0 && column < map.columns() && row < map.rows()) {
                    int value = map.values()[row * map.columns() + column] & 0xFF;
                    int cover = value == 0 ? 0 : 255 - value;
                    picture.setRGB(x, y, cover << 24 | MAP_RGB);
                }
            }
        }
        return picture;
    }
}
