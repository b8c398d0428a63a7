package embrick.server.framings;

import embrick.core.framing.FrameGeometry.HalfPlane;
import embrick.core.lift.LiftSettings;
import embrick.core.plan.Notice;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Problem;
import embrick.core.plan.Verdict;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** A planning as it is sent: the plan, or why there is none. */
public record PlanView(
        @Schema(nullable = true) PlanNumbers plan,
        @NotNull List<NoticeView> notices,
        @NotNull List<PlanProblem> problems) {

    public record NoticeView(@NotNull String code, @NotNull String text) {
        static NoticeView of(Notice notice) {
            return new NoticeView(notice.code(), notice.text());
        }
    }

    public record PlanProblem(
            @NotNull String code,
            @NotNull String subject,
            @NotNull String text,
            @NotNull String remedy) {
        static PlanProblem of(Problem problem) {
            return new PlanProblem(problem.code(), problem.subject(), problem.text(), problem.remedy());
        }
    }

    /** a·x + b·y + c·extent ≤ d, in fractions of the oriented original; extent = 1 ÷ tightness. */
    public record Limit(double a, double b, double c, double d) {
        static Limit of(HalfPlane plane) {
            return new Limit(plane.a(), plane.b(), plane.c(), plane.d());
        }
    }

    /** A rectangle of the sheet, in its pixels. */
    public record Place(int x, int y, int width, int height) {}

    /** Where the frame sits in the picture as it is seen, in its pixels. */
    public record Frame(
            double centreX,
            double centreY,
            double width,
            double height,
            double tiltDegrees,
            double scale,
            int seenWidth,
            int seenHeight) {}

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

    /** @param amount how much of the difference to the blurred picture is added; 1 is all of it */
    public record LiftView(double amount, double radiusPixels, double radiusMillimetres, double thresholdPercent) {
        static LiftView of(LiftSettings lift, Plan plan) {
            return new LiftView(
                    lift.amount(),
                    lift.sigmaPixels(),
                    lift.sigmaPixels() / plan.marked().toPpi() * 25.4,
                    lift.threshold() * 100);
        }
    }

    public record PlanNumbers(
            int width,
            int height,
            @NotNull Place picture,
            @NotNull Frame frame,
            double markedPpi,
            double realPpi,
            @NotNull Verdict verdict,
            double lostShare,
            long unpackedBytes,
            long expectedFileBytes,
            @NotNull ResamplingView resampling,
            @Schema(nullable = true) LiftView lift,
            int bitsPerChannel,
            @NotNull String shapeKey,
            @NotNull List<Limit> limits) {
        static PlanNumbers of(Plan plan) {
            var window = plan.window();
            var seen = window.seenAs().seenSize(plan.source().stored());
            return new PlanNumbers(
                    plan.sheet().width(),
                    plan.sheet().height(),
                    new Place(
                            plan.picture().x(),
                            plan.picture().y(),
                            plan.picture().width(),
                            plan.picture().height()),
                    new Frame(
                            window.centreX(),
                            window.centreY(),
                            plan.figures().frameWidth(),
                            plan.figures().frameHeight(),
                            window.tiltDegrees(),
                            window.scale(),
                            seen.width(),
                            seen.height()),
                    plan.marked().toPpi(),
                    plan.figures().realPpi(),
                    plan.figures().verdict(),
                    plan.figures().lostShare(),
                    plan.figures().unpackedBytes(),
                    plan.figures().expectedFileBytes(),
                    ResamplingView.of(plan),
                    plan.lift().map(lift -> LiftView.of(lift, plan)).orElse(null),
                    plan.bitsPerChannel(),
                    plan.shapeKey(),
                    plan.limits().stream().map(Limit::of).toList());
        }
    }

    static PlanView of(Planning planning) {
        return switch (planning) {
            case Planning.Ready ready ->
                new PlanView(
                        PlanNumbers.of(ready.plan()),
                        ready.notices().stream().map(NoticeView::of).toList(),
                        List.of());
            case Planning.Refused refused ->
                new PlanView(
                        null,
                        List.of(),
                        refused.problems().stream().map(PlanProblem::of).toList());
        };
    }
}
