package embrick.standins.common;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Tells the command that started it that this very process is ready, in a file: whoever else has the port cannot. */
@Component
class ReadyFile {
    private final String file;

    ReadyFile(@Value("${EMBRICK_READY_FILE:}") String file) {
        this.file = file;
    }

    @EventListener
    void ready(ApplicationReadyEvent event) throws IOException {
        if (!file.isEmpty()) {
            Files.writeString(Path.of(file), "ready");
        }
    }
}
