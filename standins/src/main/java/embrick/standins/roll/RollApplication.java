package embrick.standins.roll;

import embrick.standins.common.StandIns;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/** {@code ./embrick roll}. */
@Configuration
@ComponentScan
public class RollApplication {
    public static void main(String[] args) {
        StandIns.main(RollApplication.class, args);
    }
}
