package embrick.server.runs;

import embrick.server.problems.ProblemException;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What runs were asked for. */
@Service
@Transactional(readOnly = true)
public class RunOrders {
    private final RunOrderRepository orders;

    RunOrders(RunOrderRepository orders) {
        this.orders = orders;
    }

    /** Those of a run, in their order; never none. */
    public List<RunOrder> of(UUID runId) {
        return orders.findByRunIdOrderByPosition(runId);
    }

    public RunOrder get(UUID id) {
        return orders.findById(id).orElseThrow(() -> ProblemException.notFound("order"));
    }
}
