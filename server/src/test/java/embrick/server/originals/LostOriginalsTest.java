package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Originals whose file in the storage is not what was added: never printed, told by name, mended by sending them again. */
@ExtendWith(RunningServer.class)
class LostOriginalsTest {
    private final Api api = new Api(RunningServer.get().address());

    private Path fileOf(JsonNode original) {
        String digest = original.path("digest").asString();
        return RunningServer.get()
                .storage()
                .resolve("originals")
                .resolve(digest.substring(0, 2))
                .resolve(digest);
    }

    private static void lose(Path file, String how, byte[] own) throws IOException {
        switch (how) {
            case "same size" ->
                Files.write(file, Arrays.copyOf(TestPictures.drawn("jpg", 500, 320, Color.RED), own.length));
            case "smaller" -> Files.write(file, TestPictures.drawn("jpg", 90, 60, Color.RED));
            case "cut short" -> Files.write(file, TestPictures.cutShort(own));
            case "gone" -> Files.delete(file);
            default -> throw new IllegalArgumentException(how);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"same size", "smaller", "cut short", "gone"})
    void isNotPrintedButToldAndMendedBySendingItAgain(String how) throws IOException {
        String job = api.newJob("lost: " + how);
        byte[] own = Arrays.copyOf(TestPictures.drawn("jpg", 501 + how.length(), 333, Color.PINK), 30_000);
        JsonNode original = api.upload(job, "evening/kite.jpg", own).body();
        lose(fileOf(original), how, own);

        String runId = api.startRun(job);
        JsonNode piece = api.finished(runId).path("pieces").get(0);
        assertThat(piece.path("state").asString()).isEqualTo("FAILED");
        assertThat(piece.path("problem").path("code").asString()).isEqualTo("original-lost");
        assertThat(piece.path("problem").path("text").asString()).startsWith("evening/kite.jpg ");
        assertThat(piece.path("problem").path("remedy").asString()).startsWith("Add the same picture");

        Map<String, Object> offered =
                Map.of("path", "evening/kite.jpg", "fileBytes", own.length, "digest", Sha256.of(own));
        Answer offer = api.post("/jobs/" + job + "/intake", Map.of("files", List.of(offered)));
        assertThat(offer.body().path("missing")).hasSize(1);
        JsonNode again = api.upload(job, "evening/kite.jpg", own).body();
        assertThat(again.path("id").asString()).isEqualTo(original.path("id").asString());
        assertThat(api.post("/jobs/" + job + "/intake", Map.of("files", List.of(offered)))
                        .body()
                        .path("missing"))
                .isEmpty();

        api.post("/runs/" + runId + "/retry", Map.of());
        assertThat(api.finished(runId).path("pieces").get(0).path("state").asString())
                .isEqualTo("CHECKED");
    }

    @Test
    void proofsAndSmallPicturesTellItToo() throws IOException {
        String job = api.newJob("lost on screen");
        byte[] own = Arrays.copyOf(TestPictures.drawn("jpg", 420, 333, Color.CYAN), 30_000);
        JsonNode original = api.upload(job, "kite.jpg", own).body();
        String id = original.path("id").asString();
        lose(fileOf(original), "same size", own);
        Answer file = api.get("/originals/" + id + "/file");
        assertThat(file.status()).isEqualTo(409);
        assertThat(file.code()).isEqualTo("original-lost");
        assertThat(file.body().path("detail").asString()).startsWith("kite.jpg ");
        Answer proof = api.post(
                "/originals/" + id + "/proof",
                Map.of(
                        "ticket",
                        api.firstTicket(job).path("document"),
                        "region",
                        Map.of("x", 0, "y", 0, "width", 20, "height", 20),
                        "show",
                        "FILE",
                        "look",
                        "OWN"));
        assertThat(proof.status()).isEqualTo(409);
        assertThat(proof.code()).isEqualTo("original-lost");
    }
}
