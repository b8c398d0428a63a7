package embrick.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The web application; with {@code embrick.worker=true}, which is the default, it also makes pieces. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
public class EmbrickApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(EmbrickApplication.class, arguments);
    }
}
