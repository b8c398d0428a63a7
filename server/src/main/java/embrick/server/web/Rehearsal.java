package embrick.server.web;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * A start for the class cache's sake: everything is loaded as for a real one, nothing is swept or made, and the process ends
 * as soon as it is ready. Started by the scripts beside the running application.
 */
@Component
@ConditionalOnProperty(name = "embrick.rehearsal", havingValue = "true")
class Rehearsal {
    @EventListener
    void end(ApplicationReadyEvent event) {
        // The listeners of this very event run on the main thread: it must come to its end first.
        Thread.ofPlatform()
                .name("end-of-rehearsal")
                .start(() -> System.exit(SpringApplication.exit(event.getApplicationContext())));
    }
}
