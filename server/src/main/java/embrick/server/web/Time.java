package embrick.server.web;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The clock that everything asks; its zone is that of this machine, whose date names carry. */
@Configuration
class Time {
    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
