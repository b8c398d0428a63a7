package embrick.standins.counter;

import embrick.standins.common.StandIns;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/** {@code ./embrick counter}. */
@Configuration
@ComponentScan
public class CounterApplication {
    public static void main(String[] args) {
        StandIns.main(CounterApplication.class, args);
    }
}
