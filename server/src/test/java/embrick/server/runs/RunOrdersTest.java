package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.storage.Pictures;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** One run of several tickets: a folder each, traced both ways, each original decoded once. */
@ExtendWith(RunningServer.class)
class RunOrdersTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Path deliveries = RunningServer.get().storage().resolve("deliveries");

    /** Three pictures; prints at 30 ppi, and a screen set of 100 px. */
    private String jobWithTwoTickets(String name) {
        String job = api.newJob(name);
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 900 + i, 600));
        }
        api.changeFirstTicket(job, ticket -> ticket.put("ppi", 30));
        ObjectNode screen = (ObjectNode) api.firstTicket(job).path("document").deepCopy();
        screen.put("name", "Screen set").put("folder", "screen");
        ObjectNode size = screen.putObject("size").put("kind", "scaled").put("enlarging", "NEVER");
        size.putObject("to").put("kind", "side").put("side", "LONG").put("pixels", 100);
        screen.putObject("file").put("kind", "png").put("depth", "EIGHT");
        Answer added = api.post("/jobs/" + job + "/tickets", screen);
        assertThat(added.status()).as(added.body().toString()).isEqualTo(201);
        return job;
    }

    private Answer start(String job, Map<String, Object> wanted) {
        return api.post("/jobs/" + job + "/runs", wanted);
    }

    private JsonNode finished(Answer started) {
        assertThat(started.status()).as(started.body().toString()).isEqualTo(201);
        return api.finished(started.body().path("id").asString());
    }

    private List<String> ticketIds(String job) {
        List<String> ids = new ArrayList<>();
        api.get("/jobs/" + job + "/tickets")
                .body()
                .forEach(ticket -> ids.add(ticket.path("id").asString()));
        return ids;
    }

    private Answer arrange(String job, List<String> ids, List<String> off) {
        return api.put(
                "/jobs/" + job + "/tickets",
                ids.stream()
                        .map(id -> Map.of("ticketId", id, "isOn", !off.contains(id)))
                        .toList());
    }

    @Test
    void eachTicketHasAFolderAndEachOriginalIsDecodedOnce() throws IOException {
        String job = jobWithTwoTickets("both");
        Pictures pictures = RunningServer.get().context().getBean(Pictures.class);
        long before = pictures.openedWhole();
        JsonNode run = finished(start(job, Map.of()));
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(6);
        assertThat(pictures.openedWhole() - before).isEqualTo(3);

        JsonNode orders = run.path("run").path("orders");
        assertThat(orders).hasSize(2);
        assertThat(orders.get(0).path("folder").asString()).isEqualTo("both/prints-8x10");
        assertThat(orders.get(1).path("folder").asString()).isEqualTo("both/screen");
        for (int i = 0; i < 3; i++) {
            assertThat(deliveries.resolve("both/prints-8x10/kite" + i + "_8x10in.jpg"))
                    .exists();
        }
        try (var screen = Files.list(deliveries.resolve("both/screen"))) {
            assertThat(screen).hasSize(3).allMatch(file -> file.toString().endsWith(".png"));
        }
        // From the piece to its original, from the original to its pieces.
        JsonNode delivery = api.get("/runs/" + run.path("run").path("id").asString() + "/delivery")
                .body();
        JsonNode last = delivery.path("pieces").get(5);
        assertThat(last.path("originalPath").asString()).isEqualTo("kite2.jpg");
        assertThat(last.path("orderId").asString())
                .isEqualTo(orders.get(1).path("id").asString());
        List<String> folders = new ArrayList<>();
        api.get("/originals/" + last.path("originalId").asString() + "/pieces")
                .body()
                .forEach(piece -> folders.add(piece.path("folder").asString()));
        assertThat(folders).containsExactlyInAnyOrder("both/prints-8x10", "both/screen");
    }

    @Test
    void theListNamesTicketAndFolderAndTheZipHasBothFolders() throws IOException {
        String job = jobWithTwoTickets("zipped");
        String run = finished(start(job, Map.of())).path("run").path("id").asString();
        List<String> names = new ArrayList<>();
        String list = "";
        try (ZipInputStream zip =
                new ZipInputStream(new ByteArrayInputStream(api.download("/runs/" + run + "/delivery.zip")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                if (entry.getName().endsWith("list.csv")) {
                    list = new String(zip.readAllBytes(), StandardCharsets.UTF_8);
                }
            }
        }
        assertThat(names)
                .hasSize(9)
                .contains("zipped/list.csv", "zipped/certificate.json", "zipped/prints-8x10/kite0_8x10in.jpg");
        assertThat(names).filteredOn(name -> name.startsWith("zipped/screen/")).hasSize(3);
        assertThat(list.lines().skip(1)).hasSize(6);
        assertThat(list.lines().filter(line -> line.contains(",Screen set,zipped/screen,")))
                .hasSize(3);
    }

    /** As a page that is left and opened again would have it. */
    @Test
    void ticketsAreOrderedAndSwitchedOff() {
        String job = jobWithTwoTickets("arranged");
        List<String> ids = ticketIds(job);
        long version = api.firstTicket(job).path("version").asLong();
        Answer arranged = arrange(job, List.of(ids.get(1), ids.get(0)), List.of());
        assertThat(arranged.status()).as(arranged.body().toString()).isEqualTo(200);
        assertThat(ticketIds(job)).containsExactly(ids.get(1), ids.get(0));
        // An edit of a ticket that is on its way is not refused for it.
        assertThat(api.get("/tickets/" + ids.get(0)).body().path("version").asLong())
                .isEqualTo(version);
        JsonNode both = finished(start(job, Map.of()));
        assertThat(both.path("run").path("orders").get(0).path("ticketId").asString())
                .isEqualTo(ids.get(1));

        arrange(job, ids, List.of(ids.get(0)));
        JsonNode one = finished(start(job, Map.of()));
        assertThat(one.path("run").path("orders")).hasSize(1);
        assertThat(one.path("run").path("folder").asString()).isEqualTo("arranged/screen-2");
        // One that is off is run where it is named.
        JsonNode named = finished(start(job, Map.of("ticketIds", List.of(ids.get(0)))));
        assertThat(named.path("run").path("ticketId").asString()).isEqualTo(ids.get(0));
    }

    @Test
    void whatCannotBeArrangedOrRunIsSaid() {
        String job = jobWithTwoTickets("refused");
        List<String> ids = ticketIds(job);
        assertThat(arrange(job, List.of(ids.get(0)), List.of()).code()).isEqualTo("tickets-changed");
        assertThat(arrange(job, List.of(ids.get(0), ids.get(0)), List.of()).code())
                .isEqualTo("tickets-changed");
        String foreign = ticketIds(api.newJob("another")).getFirst();
        assertThat(start(job, Map.of("ticketIds", List.of(foreign))).status()).isEqualTo(404);
        assertThat(start(job, Map.of("ticketIds", List.of())).status()).isEqualTo(422);
        arrange(job, ids, ids);
        assertThat(start(job, Map.of()).code()).isEqualTo("no-ticket-on");
        assertThat(deliveries.resolve("refused")).doesNotExist();
    }

    @Test
    void aStartThatIsSentAgainIsOneRun() {
        String job = jobWithTwoTickets("sent again");
        Answer first = api.post("/jobs/" + job + "/runs", Map.of(), "Idempotency-Key", "k");
        Answer second = api.post("/jobs/" + job + "/runs", Map.of(), "Idempotency-Key", "k");
        assertThat(second.body().path("id")).isEqualTo(first.body().path("id"));
        Answer other = api.post(
                "/jobs/" + job + "/runs",
                Map.of("ticketIds", List.of(ticketIds(job).getFirst())),
                "Idempotency-Key",
                "k");
        assertThat(other.code()).isEqualTo("idempotency-key-used");
        finished(first);
    }

    @Test
    void aRunOfSeveralGoesWithAllItsFolders() {
        String job = jobWithTwoTickets("gone");
        String run = finished(start(job, Map.of())).path("run").path("id").asString();
        assertThat(api.delete("/runs/" + run + "?files=DELETED").status()).isEqualTo(204);
        assertThat(deliveries.resolve("gone")).doesNotExist();
    }
}
