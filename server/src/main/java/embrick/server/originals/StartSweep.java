package embrick.server.originals;

import embrick.server.storage.Reception;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** When the application that takes pictures in starts: what an earlier one left behind by a kill is put in order. */
@Component
@ConditionalOnWebApplication
@ConditionalOnProperty(name = "embrick.rehearsal", havingValue = "false", matchIfMissing = true)
class StartSweep {
    private static final Logger LOG = LoggerFactory.getLogger(StartSweep.class);

    private final Reception reception;
    private final Clearance clearance;

    StartSweep(Reception reception, Clearance clearance) {
        this.reception = reception;
        this.clearance = clearance;
    }

    @EventListener(ApplicationStartedEvent.class)
    void sweep() {
        reception.sweep();
        try {
            clearance.clearAll();
        } catch (RuntimeException later) {
            LOG.warn("contents without a job are cleared at the next start: {}", later.toString());
        }
    }
}
