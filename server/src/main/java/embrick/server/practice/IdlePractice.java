package embrick.server.practice;

import embrick.formats.crew.Crew;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Practises after a start, until somebody works on a picture: real work is practice too, and must not share its cores. */
@Component
@ConditionalOnProperty(name = "embrick.practice", havingValue = "true")
class IdlePractice {
    private static final Logger LOG = LoggerFactory.getLogger(IdlePractice.class);
    private static final int ROUNDS = 4;

    private final Practice practice;
    private final Crew crew;

    IdlePractice(Practice practice, Crew crew) {
        this.practice = practice;
        this.crew = crew;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread.ofPlatform().daemon().name("practice").start(() -> {
            long begun = System.nanoTime();
            try {
                practice.practise(ROUNDS, crew::isIdle);
                LOG.info("practised for {} ms", (System.nanoTime() - begun) / 1_000_000);
            } catch (IOException | RuntimeException failed) {
                LOG.warn("nothing was practised: {}", failed.toString());
            }
        });
    }
}
