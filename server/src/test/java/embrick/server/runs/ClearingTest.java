package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Deliveries that were kept long enough are cleared when somebody says so; what is known of them stays. */
@ExtendWith(RunningServer.class)
class ClearingTest {
    private final Api api = new Api(RunningServer.get().address());
    private final JdbcClient database = RunningServer.get().context().getBean(JdbcClient.class);
    private String run;
    private Path folder;

    @BeforeEach
    void anOldDelivery() {
        String job = api.newJob("Kept");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        run = api.startRun(job);
        folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(api.finished(run).path("run").path("folder").asString());
        database.sql("update run set finished_at = now() - interval '100 days' where id = :run")
                .param("run", UUID.fromString(run))
                .update();
    }

    private List<String> kept(int days) {
        List<String> ids = new ArrayList<>();
        api.get("/runs/kept?days=" + days)
                .body()
                .forEach(one -> ids.add(one.path("id").asString()));
        return ids;
    }

    private JsonNode clear(String... runs) {
        return api.post("/runs/clear", Map.of("runIds", List.of(runs))).body();
    }

    private JsonNode shown() {
        return api.get("/runs/" + run).body().path("run");
    }

    @Test
    void filesGoAndTheListStays() throws IOException {
        assertThat(kept(90)).contains(run);
        assertThat(kept(101)).doesNotContain(run);
        long before = api.get("/disk-use").body().path("deliveryBytes").asLong();
        long bytes = shown().path("fileBytes").asLong();

        JsonNode cleared = clear(run, "00000000-0000-7000-8000-000000000000");
        assertThat(cleared.path("runs").asInt()).isEqualTo(1);
        assertThat(cleared.path("refused").path(0).path("code").asString()).isEqualTo("not-found");
        assertThat(folder).isEmptyDirectory();
        assertThat(shown().path("clearedAt").isNull()).isFalse();
        assertThat(shown().path("fileBytes").asLong()).isZero();
        assertThat(kept(90)).doesNotContain(run);
        assertThat(api.get("/disk-use").body().path("deliveryBytes").asLong()).isEqualTo(before - bytes);
        JsonNode delivery = api.get("/runs/" + run + "/delivery").body();
        assertThat(delivery.path("pieces"))
                .hasSize(3)
                .allMatch(piece -> piece.path("onDisk").asString().equals("MISSING"));
        assertThat(api.get("/runs/" + run + "/certificate.json").status()).isEqualTo(200);

        api.post("/runs/" + run + "/retry", Map.of());
        assertThat(api.finished(run).path("run").path("clearedAt").isNull()).isTrue();
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).hasSize(3);
        }
    }

    @Test
    void whatSomebodyChangedStays() throws IOException {
        Path edited = folder.resolve("kite1_8x10in.jpg");
        Files.writeString(edited, "edited by hand");
        Path foreign = Files.writeString(folder.resolve("notes.txt"), "not Embrick's");
        clear(run);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactlyInAnyOrder(edited, foreign);
        }
    }

    @Test
    void oneAtWorkIsNotCleared() {
        database.sql("update piece set state = 'MAKING' where run_id = :run")
                .param("run", UUID.fromString(run))
                .update();
        JsonNode refused = clear(run);
        database.sql("update piece set state = 'CHECKED' where run_id = :run")
                .param("run", UUID.fromString(run))
                .update();
        assertThat(refused.path("runs").asInt()).isZero();
        assertThat(refused.path("refused").path(0).path("code").asString()).isEqualTo("run-at-work");
        assertThat(refused.path("refused").path(0).path("subject").asString()).isEqualTo(run);
        assertThat(folder).isNotEmptyDirectory();
    }
}
