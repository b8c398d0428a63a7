package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Deleting a run takes away what it made, and nothing else. */
@ExtendWith(RunningServer.class)
class RunRemovalTest {
    private final Api api = new Api(RunningServer.get().address());

    private JsonNode finishedRun(String name) {
        String job = api.newJob(name);
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        return api.finished(api.startRun(job));
    }

    private static Path folder(JsonNode run) {
        return RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString());
    }

    private Answer delete(JsonNode run, String files) {
        return api.delete("/runs/" + run.path("run").path("id").asString() + files);
    }

    @Test
    void itTellsItsDiskUseAndGoesWithItsFiles() throws IOException {
        JsonNode run = finishedRun("delete all");
        long bytes = 0;
        for (JsonNode piece : run.path("pieces")) {
            bytes += Files.size(folder(run).resolve(piece.path("name").asString()));
        }
        assertThat(run.path("run").path("fileBytes").asLong()).isEqualTo(bytes);
        assertThat(delete(run, "?files=DELETED").status()).isEqualTo(204);
        assertThat(folder(run)).doesNotExist();
        assertThat(api.get("/runs/" + run.path("run").path("id").asString()).status())
                .isEqualTo(404);
        assertThat(delete(run, "?files=DELETED").status()).isEqualTo(404);
    }

    @Test
    void byItselfTheFilesStay() {
        JsonNode run = finishedRun("delete the record");
        assertThat(delete(run, "").status()).isEqualTo(204);
        assertThat(folder(run).resolve("kite0_8x10in.jpg")).exists();
    }

    @Test
    void whatSomebodyChangedOrPutThereStays() throws IOException {
        JsonNode run = finishedRun("delete but mine");
        Path changed = Files.writeString(folder(run).resolve("kite1_8x10in.jpg"), "retouched");
        Path foreign = Files.writeString(folder(run).resolve("note.txt"), "for the framer");
        assertThat(delete(run, "?files=DELETED").status()).isEqualTo(204);
        assertThat(changed).hasContent("retouched");
        assertThat(foreign).hasContent("for the framer");
        assertThat(folder(run).resolve("kite0_8x10in.jpg")).doesNotExist();
    }

    @Test
    void oneThatIsAtWorkIsToldSo() {
        String job = api.newJob("delete at work");
        for (int i = 0; i < 6; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 900 + i, 700));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 300));
        String id = api.startRun(job);
        Answer refused = api.delete("/runs/" + id + "?files=DELETED");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.code()).isEqualTo("run-at-work");
        Answer ofTheJob = api.delete("/jobs/" + job);
        assertThat(ofTheJob.status()).isEqualTo(409);
        assertThat(ofTheJob.code()).isEqualTo("run-at-work");
        assertThat(ofTheJob.body().at("/problems/0/remedy").asString()).contains("Stop it");
        JsonNode run = api.finished(id);
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(6);
        assertThat(api.delete("/runs/" + id + "?files=MAYBE").status()).isEqualTo(400);
        assertThat(api.post("/runs/" + id + "/retry", Map.of()).status()).isEqualTo(200);
    }

    /** Once a run is stopped and its last piece is done its job goes, with all of it. */
    @Test
    void aJobGoesWhenItsRunWasStopped() {
        String job = api.newJob("delete when stopped");
        for (int i = 0; i < 6; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 900 + i, 700));
        }
        String id = api.startRun(job);
        api.post("/runs/" + id + "/stop", Map.of());
        api.finished(id);
        assertThat(api.delete("/jobs/" + job).status()).isEqualTo(204);
        assertThat(api.get("/runs/" + id).status()).isEqualTo(404);
    }
}
