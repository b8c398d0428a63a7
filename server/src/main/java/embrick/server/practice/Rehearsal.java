package embrick.server.practice;

import java.io.IOException;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * A start for the class cache's sake, on a database and a storage that are deleted afterwards: a whole job is gone through, so
 * that the cache holds all classes it needs and what the compiler has learned of them. Then the process ends. Started by the
 * scripts beside the running application.
 */
@Component
@ConditionalOnProperty(name = "embrick.rehearsal", havingValue = "true")
class Rehearsal {
    private static final Logger LOG = LoggerFactory.getLogger(Rehearsal.class);
    private static final int PICTURES = 12;
    private static final int LOOKS = 40;
    private static final int ROUNDS = 3;

    private final Practice practice;

    Rehearsal(Practice practice) {
        this.practice = practice;
    }

    @EventListener
    void begin(ApplicationReadyEvent event) {
        // The listeners of this very event run on the main thread: it must come to its end first.
        Thread.ofPlatform().name("rehearsal").start(() -> {
            try {
                Path picture = practice.draw();
                new WholeJob(port(event), PICTURES, LOOKS).goThrough(picture);
                practice.practise(ROUNDS, () -> true);
            } catch (IOException failed) {
                LOG.warn("the rehearsal came to no end", failed);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
            } finally {
                System.exit(SpringApplication.exit(event.getApplicationContext()));
            }
        });
    }

    private static int port(ApplicationReadyEvent event) {
        return ((ServletWebServerApplicationContext) event.getApplicationContext())
                .getWebServer()
                .getPort();
    }
}
