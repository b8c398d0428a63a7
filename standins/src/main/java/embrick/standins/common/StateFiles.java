package embrick.standins.common;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import tools.jackson.databind.json.JsonMapper;

/** State in JSON files, each whole at any instant: a stand-in that is killed goes on where it was, though not after a power cut. */
public final class StateFiles {
    private final JsonMapper json;

    public StateFiles(JsonMapper json) {
        this.json = json;
    }

    public <T> Optional<T> read(Path file, Class<T> kind) {
        if (!Files.exists(file)) {
            return Optional.empty();
        }
        return Optional.of(json.readValue(file.toFile(), kind));
    }

    public void write(Path file, Object state) {
        Path making = file.resolveSibling(file.getFileName() + ".making");
        try {
            Files.createDirectories(file.getParent());
            Files.write(making, json.writerWithDefaultPrettyPrinter().writeValueAsBytes(state));
            Files.move(making, file, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
