package embrick.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(RunningServer.class)
class JobApiTest {
    private final Api api = new Api(RunningServer.get().address());

    private Path stored(String digest) {
        return RunningServer.get()
                .storage()
                .resolve("originals")
                .resolve(digest.substring(0, 2))
                .resolve(digest);
    }

    private int remove(String job) {
        return api.send("DELETE", "/jobs/" + job, BodyPublishers.noBody(), Map.of())
                .status();
    }

    @Test
    void aJobIsNamedAndRenamed() {
        String job = api.newJob("first name");
        assertThat(api.put("/jobs/" + job, Map.of("name", "second name")).status())
                .isEqualTo(200);
        assertThat(api.get("/jobs/" + job).body().path("name").asString()).isEqualTo("second name");
        assertThat(api.post("/jobs", Map.of("name", "  ")).status()).isEqualTo(422);
    }

    @Test
    void takingAJobAwayKeepsSharedOriginalsAndWhatWasDelivered() {
        byte[] shared = TestPictures.drawn("png", 211, 97);
        byte[] own = TestPictures.drawn("png", 213, 97);
        String job = api.newJob("goes");
        String other = api.newJob("stays");
        String sharedDigest =
                api.upload(job, "shared.png", shared).body().path("digest").asString();
        String ownDigest = api.upload(job, "own.png", own).body().path("digest").asString();
        api.upload(other, "shared.png", shared);
        String folder =
                api.finished(api.startRun(job)).path("run").path("folder").asString();

        assertThat(remove(job)).isEqualTo(204);

        assertThat(api.get("/jobs/" + job).status()).isEqualTo(404);
        assertThat(stored(sharedDigest)).exists();
        assertThat(stored(ownDigest)).doesNotExist();
        assertThat(RunningServer.get()
                        .storage()
                        .resolve("deliveries")
                        .resolve(folder)
                        .resolve("own_8x10in.jpg"))
                .exists();
        assertThat(remove(job)).isEqualTo(404);
    }
}
