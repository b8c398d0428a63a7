package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.server.documents.FramingDocument;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.awt.Color;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Originals that are deleted, or replaced by their corrected version. */
@ExtendWith(RunningServer.class)
class CorrectionsTest {
    /** Each test's pictures are its own: a file that another job has stays. */
    private static int tests;

    private final Api api = new Api(RunningServer.get().address());
    private final int test = ++tests;
    private final byte[] first = TestPictures.drawn("jpg", 600, 400, new Color(10, test, 160));
    private final byte[] corrected = TestPictures.drawn("jpg", 1200, 800, new Color(160, test, 10));
    private String job;
    private String kite;
    private String beach;

    @BeforeEach
    void aJob() {
        job = api.newJob("corrections");
        kite = api.upload(job, "kite.jpg", first).body().path("id").asString();
        beach = api.upload(job, "beach.jpg", TestPictures.drawn("jpg", 601, 401, new Color(0, test, 0)))
                .body()
                .path("id")
                .asString();
        frame(kite);
    }

    private void frame(String picture) {
        Map<String, Object> framing = Map.of(
                "originalId",
                picture,
                "shapeKey",
                "4:5",
                "version",
                -1,
                "document",
                FramingDocument.of(Framing.centred().withTilt(1.5)),
                "accepted",
                true);
        Answer answer = api.post(
                "/jobs/" + job + "/edits",
                Map.of("words", "tilted", "framings", List.of(framing), "overrides", List.of()));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    }

    private Answer delete(String... ids) {
        return api.post("/jobs/" + job + "/originals/delete", Map.of("originalIds", List.of(ids)));
    }

    private Answer replace(String id, byte[] content) {
        return api.send(
                "PUT",
                "/originals/" + id + "/file",
                BodyPublishers.ofByteArray(content),
                Map.of("Content-Type", "application/octet-stream"));
    }

    private JsonNode framings() {
        return api.get("/jobs/" + job + "/framings?shape=4:5").body();
    }

    private JsonNode pile() {
        return api.get("/jobs/" + job + "/originals").body();
    }

    private static Path kept(byte[] content) {
        String digest = Sha256.of(content);
        return RunningServer.get()
                .storage()
                .resolve("originals")
                .resolve(digest.substring(0, 2))
                .resolve(digest);
    }

    @Test
    void aDeletedPictureGoesWithItsFramingAndItsFile() {
        assertThat(delete(kite).status()).isEqualTo(204);
        assertThat(pile()).hasSize(1);
        assertThat(framings()).isEmpty();
        assertThat(kept(first)).doesNotExist();
        assertThat(delete(kite).code()).isEqualTo("unknown-picture");
    }

    @Test
    void aFileThatAnotherJobHasStays() {
        String other = api.newJob("has it too");
        api.upload(other, "kite.jpg", first);
        assertThat(delete(kite).status()).isEqualTo(204);
        assertThat(kept(first)).exists();
        api.delete("/jobs/" + other);
        assertThat(kept(first)).doesNotExist();
    }

    @Test
    void oneThatIsNotOfTheJobKeepsAllOthers() {
        String foreign = api.upload(api.newJob("foreign"), "c.jpg", corrected)
                .body()
                .path("id")
                .asString();
        Answer answer = delete(kite, foreign);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.code()).isEqualTo("unknown-picture");
        assertThat(pile()).hasSize(2);
    }

    /** An edit of a picture that is gone can be gone back over: the others of it are undone. */
    @Test
    void undoingGoesOverPicturesThatAreGone() {
        frame(beach);
        delete(kite);
        for (int i = 0; i < 2; i++) {
            String id = api.get("/jobs/" + job + "/edits")
                    .body()
                    .path("undo")
                    .path("id")
                    .asString();
            Answer undone = api.post("/jobs/" + job + "/edits/" + id + "/undo", Map.of());
            assertThat(undone.status()).as(undone.body().toString()).isEqualTo(200);
        }
        assertThat(framings())
                .allSatisfy(framing -> assertThat(
                                framing.path("document").path("tiltDegrees").asDouble())
                        .isZero());
    }

    @Test
    void aPictureAtWorkIsNeitherDeletedNorReplaced() {
        api.changeFirstTicket(job, document -> document.put("ppi", 500));
        String run = api.startRun(job);
        Answer deleted = delete(kite);
        Answer replaced = replace(kite, corrected);
        for (Answer answer : List.of(deleted, replaced)) {
            assertThat(answer.status()).isEqualTo(409);
            assertThat(answer.code()).isEqualTo("picture-at-work");
            assertThat(answer.body().path("problems").get(0).path("text").asString())
                    .startsWith("kite.jpg");
        }
        JsonNode finished = api.finished(run);
        assertThat(finished.path("run").path("counts").path("checked").asInt()).isEqualTo(2);
        assertThat(delete(kite).status()).isEqualTo(204);
        assertThat(api.get("/runs/" + run + "/delivery").body().path("pieces"))
                .as("what was made stays, with the name of its original")
                .hasSize(2)
                .anySatisfy(piece ->
                        assertThat(piece.path("originalPath").asString()).isEqualTo("kite.jpg"));
    }

    @Test
    void aCorrectedPictureKeepsNameAndFraming() {
        Answer answer = replace(kite, corrected);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(answer.body().path("id").asString()).isEqualTo(kite);
        assertThat(answer.body().path("path").asString()).isEqualTo("kite.jpg");
        assertThat(answer.body().path("facts").path("width").asInt()).isEqualTo(1200);
        assertThat(api.download("/originals/" + kite + "/file")).isEqualTo(corrected);
        assertThat(kept(first)).doesNotExist();
        assertThat(pile()).hasSize(2);
        assertThat(framings()).hasSize(1);
        assertThat(framings().get(0).path("document").path("tiltDegrees").asDouble())
                .isEqualTo(1.5);
        // The same again changes nothing.
        assertThat(replace(kite, corrected).status()).isEqualTo(200);
        assertThat(kept(corrected)).exists();
    }

    @Test
    void aPictureOfAnotherShapeIsFramedAnew() {
        assertThat(replace(kite, TestPictures.drawn("jpg", 800, 800)).status()).isEqualTo(200);
        assertThat(framings()).isEmpty();
    }

    @Test
    void aBrokenFileReplacesNothing() {
        Answer answer = replace(kite, TestPictures.cutShort(corrected));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().path("problems").get(0).path("text").asString())
                .startsWith("The new file for kite.jpg")
                .contains("The old one stays.");
        assertThat(api.download("/originals/" + kite + "/file")).isEqualTo(first);
        assertThat(framings()).hasSize(1);
    }
}
