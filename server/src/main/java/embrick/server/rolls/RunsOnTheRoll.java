package embrick.server.rolls;

import embrick.core.problem.Problem;
import embrick.server.rolls.RollClient.Job;
import embrick.server.rolls.RollClient.State;
import embrick.server.runs.RunInUse;
import java.io.IOException;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Runs whose pieces wait at the roll printer, or are being printed: after a jam they are printed from there again. */
@Component
class RunsOnTheRoll implements RunInUse {
    private static final Logger LOG = LoggerFactory.getLogger(RunsOnTheRoll.class);
    private static final Set<State> OVER = Set.of(State.DONE, State.CANCELLED);

    private final RollClient roll;

    RunsOnTheRoll(RollClient roll) {
        this.roll = roll;
    }

    /** A printer that does not answer holds nothing back: what it has, it prints without us. */
    @Override
    public List<Problem> uses(Collection<UUID> runIds, Ending ending) {
        if (runIds.isEmpty() || !roll.isSetUp()) {
            return List.of();
        }
        try {
            return roll.jobs().stream()
                    .filter(job -> !OVER.contains(job.state()))
                    .filter(job -> isOf(job, runIds))
                    .map(job -> new Problem(
                            "run-on-the-roll",
                            "run",
                            "Pieces of it are at the roll printer (" + job.name() + ").",
                            "Wait until they are printed, or cancel them there; then delete it."))
                    .toList();
        } catch (IOException away) {
            LOG.info("the roll printer was not asked: {}", away.toString());
            return List.of();
        }
    }

    private static boolean isOf(Job job, Collection<UUID> runIds) {
        return RollMemo.read(job.ticket().memo()).runIds().stream().anyMatch(runIds::contains);
    }

    @Override
    public boolean asksOutside() {
        return true;
    }
}
