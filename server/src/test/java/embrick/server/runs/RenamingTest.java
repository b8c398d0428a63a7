package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Renaming alone: the very bytes under new names, in the subfolders they came from. */
@ExtendWith(RunningServer.class)
class RenamingTest {
    private static final byte[] PIER = TestPictures.drawn("jpg", 300, 200);
    private static final byte[] KITE = TestPictures.drawn("png", 200, 300);

    private final Api api = new Api(RunningServer.get().address());
    private final Path deliveries = RunningServer.get().storage().resolve("deliveries");

    private String renamed(String name) {
        String job = api.newJob(name);
        api.upload(job, "day 1/DSC_0481.JPG", PIER);
        api.upload(job, "day 2/noon/kite.png", KITE);
        api.changeFirstTicket(job, RenamingTest::onlyRename);
        return job;
    }

    private static void onlyRename(ObjectNode ticket) {
        ticket.put("subfolders", "KEPT").put("folder", "renamed");
        ticket.putObject("size").put("kind", "own");
        ticket.putObject("colour").put("kind", "keep");
        ticket.putObject("file").put("kind", "as-it-is");
        ((ObjectNode) ticket.path("metadata"))
                .put("kept", "ALL")
                .put("place", "KEPT")
                .put("serialNumbers", "KEPT");
        ticket.putArray("names").addObject().put("kind", "words").put("text", "saltmere-");
        ((ArrayNode) ticket.path("names"))
                .addObject()
                .put("kind", "number")
                .put("digits", 3)
                .put("first", 7);
    }

    private JsonNode run(String job) {
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("checked").asInt())
                .as(run.toString())
                .isEqualTo(2);
        return run;
    }

    @Test
    void bytesAreUntouchedAndSubfoldersKept() throws IOException {
        JsonNode run = run(renamed("renaming"));
        Path folder = deliveries.resolve("renaming/renamed");
        assertThat(Files.readAllBytes(folder.resolve("day 1/saltmere-007.JPG"))).isEqualTo(PIER);
        assertThat(Files.readAllBytes(folder.resolve("day 2/noon/saltmere-008.png")))
                .isEqualTo(KITE);

        String id = run.path("run").path("id").asString();
        JsonNode pieces = api.get("/runs/" + id + "/delivery").body().path("pieces");
        assertThat(pieces.get(0).path("name").asString()).isEqualTo("day 1/saltmere-007.JPG");
        assertThat(pieces.get(0).path("digest").asString()).isEqualTo(Sha256.of(PIER));
        List<String> zipped = new ArrayList<>();
        try (ZipInputStream zip =
                new ZipInputStream(new ByteArrayInputStream(api.download("/runs/" + id + "/delivery.zip")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                zipped.add(entry.getName());
            }
        }
        assertThat(zipped).contains("renamed/day 1/saltmere-007.JPG", "renamed/day 2/noon/saltmere-008.png");
    }

    @Test
    void aDeletedDeliveryLeavesNoEmptySubfolders() {
        JsonNode run = run(renamed("renaming, deleted"));
        Path folder = deliveries.resolve("renaming, deleted");
        assertThat(folder).isDirectory();
        String id = run.path("run").path("id").asString();
        assertThat(api.delete("/runs/" + id + "?files=DELETED").status()).isEqualTo(204);
        assertThat(folder).doesNotExist();
    }

    @Test
    void whatWouldChangeTheFileIsRefused() {
        String job = renamed("renaming, contradicted");
        api.changeFirstTicket(job, ticket -> {
            ObjectNode size = ticket.putObject("size").put("kind", "paper");
            size.putObject("width").put("value", 8).put("unit", "IN");
            size.putObject("height").put("value", 10).put("unit", "IN");
        });
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("failed").asInt()).isEqualTo(2);
        assertThat(run.toString()).contains("file-stays-as-it-is");
    }

    /** A file that nobody touches says what it says: a ticket that wants less of it is refused, with both ways out. */
    @ParameterizedTest
    @CsvSource({"kept, NONE", "kept, CREDITS", "place, DROPPED", "serialNumbers, DROPPED"})
    void itCannotLeaveOutWhatTheFileSays(String part, String value) {
        String job = api.newJob("Renamed without");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 300, 200));
        api.changeFirstTicket(job, ticket -> {
            onlyRename(ticket);
            ((ObjectNode) ticket.path("metadata")).put(part, value);
        });
        JsonNode piece = api.finished(api.startRun(job)).at("/pieces/0");
        assertThat(piece.at("/problem/code").asString()).isEqualTo("file-stays-as-it-is");
        assertThat(piece.at("/problem/remedy").asString())
                .contains("Keep all metadata")
                .contains("made anew");
    }
}
