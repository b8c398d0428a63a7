package embrick.standins.counter;

import embrick.standins.common.StandIns;
import java.nio.file.Path;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/** {@code ./embrick counter}. Its settings: COUNTER_PORT (8791), COUNTER_HOME. */
@Configuration
@ComponentScan
public class CounterApplication {
    private static final int PORT = 8791;

    public static void main(String[] args) {
        String port = System.getenv("COUNTER_PORT");
        String home = System.getenv("COUNTER_HOME");
        StandIns.start(
                CounterApplication.class,
                port == null ? PORT : Integer.parseInt(port),
                Path.of(home == null ? ".embrick/counter" : home).toAbsolutePath(),
                args);
    }
}
