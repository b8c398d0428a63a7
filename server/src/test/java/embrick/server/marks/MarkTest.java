package embrick.server.marks;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A mark from its PNG to the pieces that carry it. */
@ExtendWith(RunningServer.class)
class MarkTest {
    private final Api api = new Api(RunningServer.get().address());

    private Answer send(byte[] bytes) {
        return api.send(
                "POST",
                "/marks",
                BodyPublishers.ofByteArray(bytes),
                Map.of("Content-Type", "application/octet-stream"));
    }

    /** A full square, on a see-through ground of which nothing is left. */
    private static byte[] figure() throws IOException {
        BufferedImage image = new BufferedImage(50, 50, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < 50; y++) {
            for (int x = 1; x < 50; x++) {
                image.setRGB(x, y, Color.RED.getRGB());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static ObjectNode mark(ObjectNode ticket, JsonNode picture) {
        ticket.putObject("size").put("kind", "own");
        ticket.putObject("file").put("kind", "png").put("depth", "EIGHT");
        ObjectNode mark = ticket.putObject("mark")
                .put("place", "TOP_LEFT")
                .put("sizePercent", 50)
                .put("strengthPercent", 100);
        mark.putObject("content")
                .put("kind", "picture")
                .put("digest", picture.path("digest").asString())
                .put("width", picture.path("width").asInt())
                .put("height", picture.path("height").asInt());
        return ticket;
    }

    @Test
    void isDrawnOnEveryPiece() throws IOException {
        Answer sent = send(figure());
        assertThat(sent.status()).as(sent.body().toString()).isEqualTo(201);
        assertThat(send(figure()).body()).isEqualTo(sent.body());
        String job = api.newJob("marked");
        api.upload(job, "kite.png", TestPictures.drawn("png", 200, 100));
        api.changeFirstTicket(job, ticket -> mark(ticket, sent.body()));
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("checked").asInt())
                .as(run.toString())
                .isEqualTo(1);
        Path piece = RunningServer.get().storage().resolve("deliveries/marked/prints-8x10/kite_200x100.png");
        BufferedImage made = ImageIO.read(new ByteArrayInputStream(Files.readAllBytes(piece)));
        int middle = made.getRGB(28, 28) & 0xffffff;
        assertThat(middle).isIn(0x000000, 0xffffff);
    }

    @Test
    void whatIsNoFigureIsToldPlainly() throws IOException {
        assertThat(send(TestPictures.drawn("jpg", 20, 20)).code()).isEqualTo("mark-picture");
        assertThat(send(TestPictures.drawn("png", 20, 20)).body().toString()).contains("see-through");
        assertThat(send(new byte[] {1, 2, 3}).code()).isEqualTo("mark-picture");
        assertThat(send(new byte[(4 << 20) + 1]).body().toString()).contains("larger than 4 MB");
        assertThat(send(TestPictures.cutShort(figure())).code()).isEqualTo("mark-picture");
    }

    @Test
    void aTicketThatNamesOneThatIsNotHereIsRefused() throws IOException {
        JsonNode sent = send(figure()).body();
        ((ObjectNode) sent).put("digest", "0".repeat(64));
        Answer refused = api.sayFirstTicket(api.newJob("missing mark"), ticket -> mark(ticket, sent));
        assertThat(refused.code()).isEqualTo("mark-missing");
        assertThat(api.get("/marks/" + "0".repeat(64) + "/file").status()).isEqualTo(404);
    }

    @Test
    void aProductsOverlayHasToBeHere() throws IOException {
        JsonNode sent = send(figure()).body();
        ObjectNode rule = ((ObjectNode) sent)
                .objectNode()
                .put("kind", "product")
                .put("schemaVersion", 1)
                .put("unit", "MM");
        rule.putObject("width").put("value", 90).put("unit", "MM");
        rule.putObject("height").put("value", 90).put("unit", "MM");
        rule.putObject("bleed").put("value", 0).put("unit", "MM");
        rule.putObject("safe").put("value", 4).put("unit", "MM");
        rule.put("ppi", 300)
                .put("leastPpi", 100)
                .putNull("colour")
                .putNull("mostBytes")
                .putArray("files")
                .add("JPEG");
        rule.set("overlay", sent);
        String name = "Coaster " + UUID.randomUUID();
        Answer kept = api.post("/kept", Map.of("name", name, "document", rule));
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
        ((ObjectNode) rule.path("overlay")).put("digest", "0".repeat(64));
        assertThat(api.post("/kept", Map.of("name", name + " 2", "document", rule))
                        .code())
                .isEqualTo("overlay-missing");
    }
}
