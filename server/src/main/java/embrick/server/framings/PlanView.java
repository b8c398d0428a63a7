package embrick.server.framings;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.core.edge.Bands;
import embrick.core.edge.Rim;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.HalfPlane;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Handling;
import embrick.core.plan.Notice;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Verdict;
import embrick.core.problem.Problem;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.ticket.Ticket;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** A planning as it is sent: the plan, or why there is none. */
public record PlanView(
        @Schema(nullable = true) PlanNumbers plan,
        @NotNull List<NoticeView> notices,
        @NotNull List<Problem> problems) {

    public record NoticeView(@NotNull String code, @NotNull String text) {
        static NoticeView of(Notice notice) {
            return new NoticeView(notice.code(), notice.text());
        }
    }

    /**
     * a·x + b·y + c·extent + width·w + height·h ≤ d: x and y the centre, w and h the free shape's sides, in fractions of
     * the oriented original; extent = 1 ÷ tightness.
     */
    public record Limit(double a, double b, double c, double width, double height, double d) {
        static Limit of(HalfPlane plane) {
            return new Limit(plane.a(), plane.b(), plane.c(), plane.width(), plane.height(), plane.d());
        }
    }

    /** A rectangle of the total, in its pixels. */
    public record Place(int x, int y, int width, int height) {
        static Place of(PixelRect rect) {
            return new Place(rect.x(), rect.y(), rect.width(), rect.height());
        }
    }

    /** What the sheet's own rim is: cut, folded, or where a border begins. */
    public enum RimKind {
        TRIM,
        FOLD,
        BORDER
    }

    /** Whole pixels on each side. */
    public record BandsView(int left, int top, int right, int bottom) {
        static BandsView of(Bands bands) {
            return new BandsView(bands.left(), bands.top(), bands.right(), bands.bottom());
        }

        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true)
        int foot() {
            return bottom;
        }
    }

    /**
     * What goes round the sheet, in pixels.
     *
     * @param sheet where it lies on the total
     * @param bar from a fold to the next, where the bar's back begins; 0 where nothing folds
     * @param safe inside the trim that is to be kept clear
     */
    public record EdgesView(
            @NotNull RimKind rim,
            @NotNull Place sheet,
            @NotNull BandsView bands,
            @NotNull BandsView bar,
            int safe) {
        static EdgesView of(Plan plan) {
            Rim rim = plan.extension().rim();
            RimKind kind = switch (rim) {
                case Rim.Trimmed _ -> RimKind.TRIM;
                case Rim.Folded _ -> RimKind.FOLD;
                case Rim.Joined _ -> RimKind.BORDER;
            };
            return new EdgesView(
                    kind,
                    Place.of(plan.sheetOnTotal()),
                    BandsView.of(plan.extension().bands()),
                    BandsView.of(rim instanceof Rim.Folded folded ? folded.bar() : Bands.NONE),
                    rim instanceof Rim.Trimmed trimmed ? trimmed.safe() : 0);
        }
    }

    /**
     * Where the frame sits in the picture as it is seen, in its pixels.
     *
     * @param travelX pixels that the picture moves when the framing's centre moves by 1 in the seen picture
     */
    public record Frame(
            double centreX,
            double centreY,
            double width,
            double height,
            double tiltDegrees,
            double scale,
            int seenWidth,
            int seenHeight,
            double travelX,
            double travelY) {}

    /** The method that is used, chosen or picked; none where pixels are kept. */
    public record ResamplingView(
            @NotNull Method method,
            @NotNull Light light,
            @NotNull Ringing ringing,
            boolean keepsPixels) {
        static ResamplingView of(Plan plan) {
            return new ResamplingView(
                    plan.resampling().method(),
                    plan.resampling().light(),
                    plan.resampling().ringing(),
                    plan.keepsPixels());
        }
    }

    /**
     * @param amount how much of the difference to the blurred picture is added; 1 is all of it; null where a blur is undone
     * @param steps that are taken to undo a blur; null where edges are drawn up
     */
    public record SharpeningView(
            @Schema(nullable = true) Double amount,
            @Schema(nullable = true) Integer steps,
            double radiusPixels,
            double radiusMillimetres,
            double thresholdPercent) {
        static SharpeningView of(SharpeningSettings sharpening, Plan plan) {
            double radius = sharpening.sigmaPixels();
            double millimetres = radius / plan.marked().toPpi() * 25.4;
            return switch (sharpening) {
                case UnsharpMasking masking ->
                    new SharpeningView(masking.amount(), null, radius, millimetres, masking.threshold() * 100);
                case Deconvolution undone ->
                    new SharpeningView(null, undone.steps(), radius, millimetres, undone.threshold() * 100);
            };
        }
    }

    /** @param width of the total, the sheet with its bands */
    public record PlanNumbers(
            int width,
            int height,
            @NotNull EdgesView edges,
            @NotNull Place picture,
            @NotNull Frame frame,
            double markedPpi,
            double realPpi,

            @Schema(
                    description = "Up to which the picture holds detail; null where that was not measured",
                    nullable = true)
            Double heldPpi,

            @NotNull Verdict verdict,
            int ppiNeeded,
            double lostShare,
            @NotNull Corners corners,
            double bareShare,
            double fineWidthInches,
            double fineHeightInches,
            long unpackedBytes,
            long expectedFileBytes,
            @NotNull ResamplingView resampling,
            @Schema(nullable = true) SharpeningView sharpening,
            int bitsPerChannel,
            @NotNull String shapeKey,
            @NotNull Handling handling,

            @Schema(description = "Whether it grows a background, which is looked at and accepted in the proof")
            boolean grows,

            @NotNull List<Limit> limits) {
        static PlanNumbers of(Plan plan, Ticket ticket) {
            double fine = plan.figures().fineEnlargement() / plan.marked().toPpi();
            var window = plan.window();
            var seen = plan.seen();
            return new PlanNumbers(
                    plan.total().width(),
                    plan.total().height(),
                    EdgesView.of(plan),
                    Place.of(plan.extension().bands().onTotal(plan.picture())),
                    new Frame(
                            window.centreX(),
                            window.centreY(),
                            plan.figures().frameWidth(),
                            plan.figures().frameHeight(),
                            window.tiltDegrees(),
                            window.scale(),
                            seen.width(),
                            seen.height(),
                            plan.limits().travelX(),
                            plan.limits().travelY()),
                    plan.marked().toPpi(),
                    plan.figures().realPpi(),
                    plan.figures().heldPpi().orElse(null),
                    plan.figures().verdict(),
                    ticket.viewing().ppiNeeded(),
                    plan.figures().lostShare(),
                    plan.corners(),
                    plan.figures().bareShare(),
                    plan.sheet().width() * fine,
                    plan.sheet().height() * fine,
                    plan.figures().unpackedBytes(),
                    plan.figures().expectedFileBytes(),
                    ResamplingView.of(plan),
                    plan.sharpening()
                            .map(sharpening -> SharpeningView.of(sharpening, plan))
                            .orElse(null),
                    plan.bitsPerChannel(),
                    plan.shapeKey(),
                    Handling.of(ticket),
                    plan.growing().isPresent(),
                    plan.limits().planes().stream().map(Limit::of).toList());
        }
    }

    static PlanView of(Planning planning, Ticket ticket) {
        return switch (planning) {
            case Planning.Ready ready ->
                new PlanView(
                        PlanNumbers.of(ready.plan(), ticket),
                        ready.notices().stream().map(NoticeView::of).toList(),
                        List.of());
            case Planning.Refused refused ->
                new PlanView(null, List.of(), refused.problems().stream().toList());
        };
    }
}
