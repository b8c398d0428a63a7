package embrick.server.storage;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * The folders of this machine that may be opened and delivered to.
 *
 * @param roots each {@code name=/path}; machines that work together give the same folder the same name
 */
@ConfigurationProperties("embrick")
public record RootSettings(@DefaultValue List<String> roots) {
    /**
     * Looks at the setting as it is written, before anything is started.
     *
     * @throws IllegalArgumentException naming what is wrong with it
     */
    public static void check(String roots) {
        if (!roots.isBlank()) {
            new RootSettings(List.of(roots.split(","))).byName();
        }
    }

    /**
     * Paths by their names.
     *
     * @throws IllegalArgumentException naming the setting that is none
     */
    Map<String, Path> byName() {
        Map<String, Path> named = new LinkedHashMap<>();
        for (String root : roots) {
            int equals = root.indexOf('=');
            String name = equals < 0 ? "" : root.substring(0, equals).strip();
            String path = root.substring(equals + 1).strip();
            if (name.isEmpty() || name.contains("/") || !Path.of(path).isAbsolute()) {
                throw new IllegalArgumentException(
                        "embrick.roots (EMBRICK_ROOTS): expected name=/absolute/path, got “" + root + "”");
            }
            if (named.putIfAbsent(name, Path.of(path).normalize()) != null) {
                throw new IllegalArgumentException("embrick.roots (EMBRICK_ROOTS): “" + name + "” is there twice");
            }
        }
        return named;
    }
}
