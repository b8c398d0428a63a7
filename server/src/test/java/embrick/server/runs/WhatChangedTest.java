package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A run of what changed since makes that and nothing else. */
@ExtendWith(RunningServer.class)
class WhatChangedTest {
    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private JsonNode first;

    @BeforeEach
    void aRunOfThree() {
        job = api.newJob("What changed");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        first = api.finished(api.startRun(job));
    }

    private Answer runWhatChanged() {
        return api.post(
                "/tickets/" + api.firstTicket(job).path("id").asString() + "/runs", Map.of("changedOnly", true));
    }

    private List<String> made(Answer started) {
        assertThat(started.status()).as(started.body().toString()).isEqualTo(201);
        List<String> made = new ArrayList<>();
        api.finished(started.body().path("id").asString())
                .path("pieces")
                .forEach(piece -> made.add(piece.path("originalPath").asString()));
        return made;
    }

    @Test
    void nothingIsMadeTwice() {
        assertThat(runWhatChanged().code()).isEqualTo("nothing-changed");
    }

    @Test
    void aFramingAPictureAndAFileThatIsGoneAreChanges() throws IOException {
        String framed = api.original(job, "kite1.jpg");
        Answer answer = api.put(
                "/originals/" + framed + "/framings/4:5",
                Map.of("document", Api.framing(0.4, 1.5), "accepted", true),
                "If-None-Match",
                "*");
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(made(runWhatChanged())).containsExactly("kite1.jpg");
        assertThat(runWhatChanged().code()).isEqualTo("nothing-changed");

        api.upload(job, "late.jpg", TestPictures.drawn("jpg", 310, 200));
        assertThat(made(runWhatChanged())).containsExactly("late.jpg");

        Path gone = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(first.path("run").path("folder").asString())
                .resolve(first.path("pieces").path(2).path("name").asString());
        Files.delete(gone);
        assertThat(made(runWhatChanged())).containsExactly("kite2.jpg");
    }

    @Test
    void aChangedTicketChangesAll() {
        api.changeFirstTicket(job, document -> document.put("ppi", 25));
        assertThat(made(runWhatChanged())).containsExactly("kite0.jpg", "kite1.jpg", "kite2.jpg");
    }

    /** After the filters are retrained, the same settings give other pixels. */
    @Test
    void otherFiltersChangeWhatTheyMade() {
        api.changeFirstTicket(job, document -> {
            document.put("ppi", 60);
            ((ObjectNode) document.path("resampling")).put("method", "LEARNED");
        });
        assertThat(made(runWhatChanged())).hasSize(3);
        assertThat(runWhatChanged().code()).isEqualTo("nothing-changed");
        storeInPlans("{madeBy,filters}", "to_jsonb('of before'::text)");
        assertThat(made(runWhatChanged())).containsExactly("kite1.jpg");
    }

    /** A later version of the application may guess better how large a file will be: its pixels are the same. */
    @Test
    void anotherGuessOfTheFilesSizeIsNoChange() {
        storeInPlans("{figures,expectedFileBytes}", "to_jsonb(12345)");
        assertThat(runWhatChanged().code()).isEqualTo("nothing-changed");
    }

    /** As if the pieces of kite1 had been made by another version. */
    private void storeInPlans(String path, String value) {
        int changed = JdbcClient.create(
                        new DriverManagerDataSource(ThrowawayPostgres.get().url("embrick"), "embrick", ""))
                .sql("update piece set plan = jsonb_set(plan, '" + path + "', " + value
                        + ", false) where name like 'kite1%'"
                        + " and plan #> '" + path + "' is not null and run_id in (select id from run where job_id = '"
                        + job + "')")
                .update();
        assertThat(changed).isPositive();
    }
}
