package embrick.server.workers;

import embrick.server.workers.Workers.WorkerView;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The workers: who is there, and what each is making. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/workers")
class WorkerController {
    private final Workers workers;

    WorkerController(Workers workers) {
        this.workers = workers;
    }

    @GetMapping
    List<WorkerView> listWorkers() {
        return workers.all();
    }

    /** Only one that is lost can be taken off the list. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forgetWorker(@PathVariable UUID id) {
        workers.forget(id);
    }
}
