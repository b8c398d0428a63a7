package embrick.server;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.RunningServer;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The screens' types are made from ui/openapi.json: it must be what the server says of itself. */
@ExtendWith(RunningServer.class)
class ApiDocumentTest {
    @Test
    void theKeptDocumentIsTheServersOwn() throws IOException, InterruptedException {
        HttpResponse<String> served = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(RunningServer.get().address() + "/api/openapi"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        String kept = Files.readString(Path.of("../ui/openapi.json"));
        assertThat(served.body())
                .as("fetch it anew: curl http://127.0.0.1:8790/api/openapi > ui/openapi.json")
                .isEqualToIgnoringWhitespace(kept);
    }
}
