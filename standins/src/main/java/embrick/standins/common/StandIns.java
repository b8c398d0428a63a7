package embrick.standins.common;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.SpringBootConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.context.ConfigurationPropertiesAutoConfiguration;
import org.springframework.boot.autoconfigure.context.PropertyPlaceholderAutoConfiguration;
import org.springframework.boot.http.converter.autoconfigure.HttpMessageConvertersAutoConfiguration;
import org.springframework.boot.jackson.autoconfigure.JacksonAutoConfiguration;
import org.springframework.boot.tomcat.autoconfigure.servlet.TomcatServletWebServerAutoConfiguration;
import org.springframework.boot.validation.autoconfigure.ValidationAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.DispatcherServletAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.WebMvcAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.error.ErrorMvcAutoConfiguration;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ComponentScan;
import tools.jackson.databind.json.JsonMapper;

/**
 * Starts stand-ins: on loopback only, with their state in a folder.
 *
 * <p>What they are made of is listed, not found on the class path: in tests they run beside the application's libraries.
 */
@SpringBootConfiguration
@ImportAutoConfiguration({
    PropertyPlaceholderAutoConfiguration.class,
    ConfigurationPropertiesAutoConfiguration.class,
    JacksonAutoConfiguration.class,
    HttpMessageConvertersAutoConfiguration.class,
    ValidationAutoConfiguration.class,
    TomcatServletWebServerAutoConfiguration.class,
    DispatcherServletAutoConfiguration.class,
    WebMvcAutoConfiguration.class,
    ErrorMvcAutoConfiguration.class
})
@ComponentScan
public class StandIns {
    @Bean
    StateFiles stateFiles(JsonMapper json) {
        return new StateFiles(json);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    /** As a process of its own: its port in STANDIN_PORT, the folder of its state in STANDIN_HOME. */
    public static void main(Class<?> parts, String... more) {
        start(
                parts,
                Integer.parseInt(System.getenv("STANDIN_PORT")),
                Path.of(System.getenv("STANDIN_HOME")).toAbsolutePath(),
                more);
    }

    /**
     * @param parts configuration of the one stand-in
     * @param port 0 takes a free one
     * @param home where its state is kept
     * @param more arguments, as {@code --name=value}
     */
    public static ConfigurableApplicationContext start(Class<?> parts, int port, Path home, String... more) {
        SpringApplication application = new SpringApplication(StandIns.class, parts);
        List<String> arguments = new ArrayList<>(List.of(
                "--server.address=127.0.0.1",
                "--server.port=" + port,
                "--standin.home=" + home,
                "--spring.config.name=standin",
                "--spring.main.banner-mode=off",
                "--spring.threads.virtual.enabled=true",
                "--spring.jmx.enabled=false",
                "--server.tomcat.connection-timeout=10s"));
        arguments.addAll(Arrays.asList(more));
        return application.run(arguments.toArray(String[]::new));
    }
}
