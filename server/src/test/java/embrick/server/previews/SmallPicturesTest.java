package embrick.server.previews;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class SmallPicturesTest {
    private final Api api = new Api(RunningServer.get().address());
    private JsonNode original;

    @BeforeEach
    void aPicture() {
        original = api.upload(api.newJob("small"), "kite.jpg", TestPictures.drawn("jpg", 2400, 1600))
                .body();
    }

    private BufferedImage small(int edge) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(
                api.download("/originals/" + original.path("id").asString() + "/small?edge=" + edge)));
    }

    @Test
    void theyKeepThePicturesShape() throws IOException {
        assertThat(small(384).getWidth()).isEqualTo(384);
        assertThat(small(384).getHeight()).isEqualTo(256);
        assertThat(small(1800).getWidth()).isEqualTo(1800);
    }

    @Test
    void oneThatIsMissingIsMadeAgain() throws IOException {
        String digest = original.path("digest").asString();
        // It has no profile of its own: the one assumed is part of what it looks like.
        String assumed = original.path("facts").path("profileDigest").asString();
        Path file = RunningServer.get()
                .storage()
                .resolve("previews")
                .resolve(digest.substring(0, 2))
                .resolve(digest + "-" + assumed.substring(0, 12) + "-384.jpg");
        byte[] before = Files.readAllBytes(file);
        Files.delete(file);
        small(384);
        assertThat(file).hasBinaryContent(before);
    }

    @Test
    void onlyTheSizesOnOfferAreMade() {
        assertThat(api.get("/originals/" + original.path("id").asString() + "/small?edge=99999")
                        .status())
                .isEqualTo(422);
    }

    /** A picture that was replaced keeps its id: only an address that names its content may be kept without asking again. */
    @Test
    void onlyAnAddressThatNamesThePictureIsKept() throws Exception {
        String version = original.path("digest").asString().substring(0, 12) + "-"
                + original.path("facts").path("profileDigest").asString().substring(0, 8);
        assertThat(cacheControl("?edge=384&of=" + version)).contains("max-age=31536000");
        assertThat(cacheControl("?edge=384")).isEqualTo("no-cache");
        assertThat(cacheControl("?edge=384&of=000000000000-00000000")).isEqualTo("no-cache");
    }

    private String cacheControl(String query) throws Exception {
        URI address = URI.create(RunningServer.get().address() + "/api/v1/originals/"
                + original.path("id").asString() + "/small" + query);
        try (HttpClient http = HttpClient.newHttpClient()) {
            return http.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.discarding())
                    .headers()
                    .firstValue("Cache-Control")
                    .orElse("");
        }
    }
}
