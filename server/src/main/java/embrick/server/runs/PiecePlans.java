package embrick.server.runs;

import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.problem.Problem;
import embrick.server.documents.StoredJson;
import embrick.server.framings.Estimate;
import embrick.server.originals.Original;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** Gives pieces the plans they are made from. */
@Component
class PiecePlans {
    private final StoredJson json;

    PiecePlans(StoredJson json) {
        this.json = json;
    }

    /** Gives a piece its plan, or its problem. */
    void settle(Piece piece, Original original, Estimate.Planned planned, Instant now) {
        switch (planned) {
            case Estimate.Planned.Unusable unusable -> piece.fail(of(original, " ", unusable.problem()), now);
            case Estimate.Planned.Plannable plannable
            when plannable.held().isPresent() ->
                piece.fail(of(original, ": ", plannable.held().get()), now);
            case Estimate.Planned.Plannable plannable -> settle(piece, original, plannable.planning(), now);
        }
    }

    private void settle(Piece piece, Original original, Planning planning, Instant now) {
        switch (planning) {
            case Planning.Ready ready -> {
                Plan plan = ready.plan();
                piece.plan(
                        new Piece.Planned(
                                json.writePlan(plan),
                                original.digest(),
                                plan.total().width(),
                                plan.total().height(),
                                plan.marked().toPpi(),
                                plan.figures().expectedFileBytes()),
                        now);
            }
            case Planning.Refused refused -> {
                Problem first = refused.problems().getFirst();
                piece.fail(of(original, ", ", first), now);
            }
        }
    }

    private static Problem of(Original original, String link, Problem problem) {
        String text = original.path() + link + problem.text();
        return new Problem(problem.code(), problem.subject(), text.endsWith(".") ? text : text + ".", problem.remedy());
    }
}
