package embrick.server;

import embrick.server.storage.RootSettings;
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
        requireUnicodeNames();
        requireReadableRoots();
        SpringApplication.run(EmbrickApplication.class, arguments);
    }

    /** Starting again and again would not mend a setting. */
    private static void requireReadableRoots() {
        String roots = System.getenv("EMBRICK_ROOTS");
        try {
            RootSettings.check(roots == null ? "" : roots);
        } catch (IllegalArgumentException unreadable) {
            System.err.println("Embrick: " + unreadable.getMessage());
            System.exit(2);
        }
    }

    /** File names go to the system in the encoding of the locale it was started under; only UTF-8 has all letters. */
    private static void requireUnicodeNames() {
        String encoding = System.getProperty("sun.jnu.encoding");
        if (!"UTF-8".equalsIgnoreCase(encoding)) {
            System.err.println("Embrick: file names would be written in " + encoding
                    + ", which has not all letters. Start it under a UTF-8 locale, for instance with LC_ALL=C.UTF-8.");
            System.exit(2);
        }
    }
}
