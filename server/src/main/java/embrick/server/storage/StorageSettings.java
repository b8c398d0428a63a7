package embrick.server.storage;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param storage the folder that holds originals, previews and deliveries
 * @param worker whether this process makes pieces
 * @param threads pieces made at once
 */
@ConfigurationProperties("embrick")
public record StorageSettings(Path storage, boolean worker, int threads) {}
