package embrick.server.storage;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;

/**
 * @param storage the folder that holds originals, previews and deliveries
 * @param worker whether this process makes pieces
 * @param threads pieces made at once
 * @param pictureMemory for decoded originals, outside the heap; 0 for a share of the machine's memory
 * @param largestUpload of one file
 * @param reserve of the disk that is never filled with uploads
 */
@ConfigurationProperties("embrick")
public record StorageSettings(
        Path storage,
        @DefaultValue("true") boolean worker,
        @DefaultValue("2") int threads,
        @DefaultValue("0") DataSize pictureMemory,
        @DefaultValue("8GB") DataSize largestUpload,
        @DefaultValue("256MB") DataSize reserve) {
    /** With everything but the folder as it is by itself. */
    public static StorageSettings in(Path storage) {
        return new StorageSettings(
                storage, true, 1, DataSize.ofBytes(0), DataSize.ofGigabytes(8), DataSize.ofMegabytes(256));
    }
}
