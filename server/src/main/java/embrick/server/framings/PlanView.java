package embrick.server.framings;

import embrick.core.framing.FrameGeometry.HalfPlane;
import embrick.core.plan.Notice;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Problem;
import embrick.core.plan.Verdict;
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
            @NotNull String kernel,
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
                    plan.kernel().name(),
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
