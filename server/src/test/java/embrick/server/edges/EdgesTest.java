package embrick.server.edges;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Edges from the ticket's phrase to finished files and the book of a run. */
@ExtendWith(RunningServer.class)
class EdgesTest {
    private static final JsonMapper JSON = new JsonMapper();

    private final Api api = new Api(RunningServer.get().address());

    private static void length(ObjectNode into, String name, double value, String unit) {
        into.putObject(name).put("value", value).put("unit", unit);
    }

    private static void even(ObjectNode into, String name, double inches) {
        ObjectNode sides = into.putObject(name);
        for (String side : new String[] {"top", "right", "bottom", "left"}) {
            length(sides, side, inches, "IN");
        }
    }

    private static ObjectNode wrap(ObjectNode document, double bar, double allowance, String fill) {
        ObjectNode edges = document.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        even(edges, "bar", bar);
        even(edges, "allowance", allowance);
        edges.putObject("fill").put("kind", fill);
        return edges;
    }

    private static ObjectNode border(ObjectNode document, double inches) {
        ObjectNode edges = document.putObject("edges").put("kind", "border").put("colour", "#FFFFFF");
        length(edges.putObject("size").put("kind", "even"), "band", inches, "IN");
        return edges;
    }

    private static void captioned(ObjectNode edges, double letterMillimetres, String words) {
        ObjectNode caption = edges.putObject("caption").put("colour", "#000000");
        length(caption, "letters", letterMillimetres, "MM");
        caption.putArray("parts").addObject().put("kind", "number").put("digits", 3);
        ((tools.jackson.databind.node.ArrayNode) caption.path("parts"))
                .addObject()
                .put("kind", "words")
                .put("text", words);
    }

    private static void small(ObjectNode document, double width, double height, int ppi) {
        length((ObjectNode) document.path("size"), "width", width, "IN");
        length((ObjectNode) document.path("size"), "height", height, "IN");
        document.put("ppi", ppi);
    }

    private String jobWith(String name, String... pictures) {
        String job = api.newJob(name);
        for (String picture : pictures) {
            api.upload(job, picture, TestPictures.drawn("jpg", 600, 400));
        }
        return job;
    }

    private JsonNode plan(String job, ObjectNode ticket) {
        String original =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        return api.post("/originals/" + original + "/plan", Map.of("ticket", ticket))
                .body();
    }

    /** CHECKS.md: 20 × 24 with a 2 1/2 in bar and 1/2 in allowance is 26 × 30, 2600 × 3000 px at 100 ppi. */
    @Test
    void thePlanSaysFaceAndTotal() {
        String job = jobWith("canvas", "kite.jpg");
        JsonNode plan = plan(job, api.changeFirstTicket(job, document -> {
                    small(document, 20, 24, 100);
                    document.put("turn", "UPRIGHT");
                    wrap(document, 2.5, 0.5, "mirror");
                }))
                .path("plan");
        assertThat(plan.path("width").asInt()).isEqualTo(2600);
        assertThat(plan.path("height").asInt()).isEqualTo(3000);
        JsonNode edges = plan.path("edges");
        assertThat(edges.path("rim").asString()).isEqualTo("FOLD");
        assertThat(edges.path("sheet").toString()).isEqualTo("{\"x\":300,\"y\":300,\"width\":2000,\"height\":2400}");
        assertThat(edges.path("bar").path("left").asInt()).isEqualTo(250);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "13 | 0 | bar depth: expected at most 12 in, got 13 in",
                "-1 | 0 | length: expected 0 or more, got -1 in",
                "0 | 0 | wrap: expected a band above 0, got none",
            })
    void aWrapThatCannotBeIsExplainedAtItsPhrase(double bar, double allowance, String text) {
        Answer answer = api.sayFirstTicket(api.newJob("bad"), document -> wrap(document, bar, allowance, "mirror"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().path("problems").get(0).path("subject").asString())
                .isEqualTo("edges");
        assertThat(answer.body().path("problems").get(0).path("text").asString())
                .isEqualTo(text);
    }

    @Test
    void marksWithoutRoomAndColoursThatAreNoneAreExplainedToo() {
        String job = api.newJob("bad");
        Answer marks = api.sayFirstTicket(
                job, document -> wrap(document, 1, 0, "mirror").put("marks", "FOLDS_AND_CORNERS"));
        assertThat(marks.body().path("problems").get(0).path("text").asString())
                .isEqualTo("marks: expected a staple allowance of 5 mm or more on every side, got 0 in");
        Answer colour = api.sayFirstTicket(
                job, document -> ((ObjectNode) wrap(document, 1, 0, "plain").path("fill")).put("colour", "reddish"));
        assertThat(colour.body().path("problems").get(0).path("text").asString())
                .isEqualTo("colour: expected # and six hexadecimal digits, got reddish");
    }

    /** What only the pictures' own sizes and words can tell is told by the estimate, at the same phrase. */
    @Test
    void whatDependsOnThePictureIsToldBeforeTheRun() {
        String job = jobWith("long words", "kite.jpg");
        ObjectNode ticket = api.changeFirstTicket(job, document -> {
            small(document, 4, 5, 100);
            captioned(border(document, 1), 10, " a caption that runs on for far longer than a sheet is wide");
        });
        JsonNode problem = plan(job, ticket).path("problems").get(0);
        assertThat(problem.path("code").asString()).isEqualTo("caption-too-long");
        assertThat(problem.path("subject").asString()).isEqualTo("edges");
        ObjectNode large = api.changeFirstTicket(job, document -> {
            small(document, 300, 4, 200);
            wrap(document, 12, 12, "mirror");
        });
        assertThat(plan(job, large).path("problems").get(0).path("subject").asString())
                .isEqualTo("edges");
    }

    @Test
    void captionsAreNumberedInTheOrderOfTheJob() throws IOException {
        String job = jobWith("numbered", "a.jpg", "b.jpg", "c.jpg");
        api.changeFirstTicket(job, document -> {
            small(document, 4, 5, 100);
            document.putObject("file").put("kind", "png").put("depth", "EIGHT");
            captioned(border(document, 1), 8, "");
        });
        JsonNode run = api.finished(api.startRun(job));
        BufferedImage[] pieces = new BufferedImage[3];
        for (int i = 0; i < 3; i++) {
            JsonNode piece = run.path("pieces").get(i);
            assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
            pieces[i] = ImageIO.read(new ByteArrayInputStream(
                    api.download("/pieces/" + piece.path("id").asString() + "/file")));
            assertThat(pieces[i].getWidth()).isEqualTo(700);
        }
        // The pictures are alike; what differs are the numbers in the bottom, and only there.
        for (int y = 0; y < pieces[0].getHeight(); y++) {
            for (int x = 0; x < pieces[0].getWidth(); x++) {
                if (pieces[0].getRGB(x, y) != pieces[1].getRGB(x, y)) {
                    assertThat(y).isBetween(501, 600);
                }
            }
        }
        assertThat(inked(pieces[0])).isNotEqualTo(inked(pieces[1])).isNotEqualTo(inked(pieces[2]));
    }

    private static double inked(BufferedImage piece) {
        double dark = 0;
        for (int y = 510; y < 600; y++) {
            for (int x = 0; x < piece.getWidth(); x++) {
                dark += 255 - (piece.getRGB(x, y) & 0xff);
            }
        }
        return dark;
    }

    /** The paper stays, the picture gets smaller: total, sheet, shape and name, and the file that is made. */
    @Test
    void aBorderInsideThePaperLeavesThePaperAsItIs() throws IOException {
        String job = jobWith("Inside", "kite.jpg");
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document").deepCopy();
        small(ticket, 8, 10, 100);
        ObjectNode edges = ticket.putObject("edges").put("kind", "border").put("colour", "#FFFFFF");
        length(edges.putObject("size").put("kind", "inside"), "band", 0.5, "IN");
        JsonNode plan = plan(job, ticket).path("plan");
        assertThat(plan.path("width").asInt()).isEqualTo(1000);
        assertThat(plan.path("height").asInt()).isEqualTo(800);
        assertThat(plan.at("/edges/sheet/width").asInt()).isEqualTo(900);
        assertThat(plan.at("/edges/sheet/height").asInt()).isEqualTo(700);
        assertThat(plan.at("/edges/bands/left").asInt()).isEqualTo(50);

        api.changeFirstTicket(job, document -> document.setAll(ticket));
        JsonNode run = api.finished(api.startRun(job));
        JsonNode piece = run.path("pieces").get(0);
        assertThat(piece.path("name").asString()).isEqualTo("kite_8x10in.jpg");
        BufferedImage made = ImageIO.read(new ByteArrayInputStream(
                api.download("/pieces/" + piece.path("id").asString() + "/file")));
        assertThat(made.getWidth()).isEqualTo(1000);
        assertThat(made.getHeight()).isEqualTo(800);
        assertThat(made.getRGB(25, 400) & 0xffffff).isEqualTo(0xffffff);
        assertThat(made.getRGB(500, 775) & 0xffffff).isEqualTo(0xffffff);
    }

    /** A4 in millimetres: the file has the very pixels of A4 without a border. */
    @Test
    void aBorderInsideA4GivesTheVeryPixelsOfA4() {
        String job = jobWith("Inside A4", "kite.jpg");
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document").deepCopy();
        length((ObjectNode) ticket.path("size"), "width", 210, "MM");
        length((ObjectNode) ticket.path("size"), "height", 297, "MM");
        ticket.put("ppi", 300);
        JsonNode plain = plan(job, ticket).path("plan");
        ObjectNode edges = ticket.putObject("edges").put("kind", "border").put("colour", "#FFFFFF");
        length(edges.putObject("size").put("kind", "inside"), "band", 10, "MM");
        JsonNode plan = plan(job, ticket).path("plan");
        assertThat(plan.path("width")).isEqualTo(plain.path("width"));
        assertThat(plan.path("height")).isEqualTo(plain.path("height"));
        // 277 × 190 mm at 300 ppi, to the nearest pixel.
        assertThat(plan.at("/edges/sheet/width").asInt()).isEqualTo(3272);
        assertThat(plan.at("/edges/sheet/height").asInt()).isEqualTo(2244);
    }

    @Test
    void aBorderInsideNeedsAPaperThatIsLargerThanIt() {
        String job = jobWith("No inside", "kite.jpg");
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document").deepCopy();
        small(ticket, 8, 10, 100);
        ObjectNode edges = ticket.putObject("edges").put("kind", "border").put("colour", "#FFFFFF");
        ObjectNode size = edges.putObject("size").put("kind", "inside");
        length(size, "band", 4, "IN");
        JsonNode wide = plan(job, ticket);
        assertThat(wide.at("/problems/0/subject").asString()).isEqualTo("edges");
        assertThat(wide.at("/problems/0/text").asString()).contains("less than half of its shorter side, 8 in");
        length(size, "band", 1, "IN");
        ticket.putObject("size").put("kind", "own");
        assertThat(plan(job, ticket).at("/problems/0/text").asString()).contains("expected a paper size");
    }

    @Test
    void aWrappedRunBecomesCheckedPagesAndABook() throws IOException {
        String job = jobWith("book", "a.jpg", "b.jpg");
        api.changeFirstTicket(job, document -> {
            small(document, 4, 5, 100);
            wrap(document, 1, 0.5, "mirror");
            ObjectNode file = document.putObject("file").put("kind", "pdf").put("marks", "CROP_AND_FOLD");
            file.putObject("pixels").put("kind", "jpeg").put("quality", 90);
        });
        String runId = api.startRun(job);
        JsonNode run = api.finished(runId);
        assertThat(run.path("pieces").get(0).path("state").asString())
                .as(run.toString())
                .isEqualTo("CHECKED");
        assertThat(run.path("pieces").get(0).path("name").asString()).endsWith(".pdf");
        assertThat(api.get("/runs/" + runId + "/delivery")
                        .body()
                        .path("isForBooks")
                        .asBoolean())
                .isTrue();
        try (PDDocument book = Loader.loadPDF(api.download("/runs/" + runId + "/delivery.pdf"))) {
            assertThat(book.getNumberOfPages()).isEqualTo(2);
            // 5 × 4 in with 1.5 in all round is 8 × 7 in: 576 × 504 pt, cut at the total.
            assertThat(book.getPage(1).getTrimBox().getWidth()).isCloseTo(576f, within(0.01f));
            assertThat(book.getPage(1).getTrimBox().getHeight()).isCloseTo(504f, within(0.01f));
        }
    }

    @Test
    void aBookOfOtherFilesSaysWhatToDo() {
        String job = jobWith("no book", "a.jpg");
        api.changeFirstTicket(job, document -> {
            small(document, 4, 5, 50);
            document.putObject("file").put("kind", "png").put("depth", "EIGHT");
        });
        String runId = api.startRun(job);
        api.finished(runId);
        Answer refused = api.get("/runs/" + runId + "/delivery.pdf");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.code()).isEqualTo("no-book");
    }

    /** A dark mast 1/4 in (6.35 mm) inside the left fold of an 8 × 10 in canvas; elsewhere sky. */
    @Test
    void whatComesNearAFoldIsToldWithItsDistance() {
        String job = api.newJob("mast");
        api.upload(job, "mast.png", mast());
        ObjectNode ticket = api.changeFirstTicket(job, document -> {
            small(document, 8, 10, 100);
            document.put("turn", "UPRIGHT");
            wrap(document, 1, 0, "mirror");
        });
        String original =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        JsonNode found = api.post("/originals/" + original + "/crossings", Map.of("ticket", ticket))
                .body();
        assertThat(found.path("withinMillimetres").asDouble()).isEqualTo(10);
        assertThat(found.path("crossings").size()).isEqualTo(1);
        JsonNode left = found.path("crossings").get(0);
        assertThat(left.path("side").asString()).isEqualTo("LEFT");
        // A reduced pixel is 12 in / 900, a third of a millimetre; Sobel reaches one pixel further.
        assertThat(left.path("millimetres").asDouble()).isCloseTo(6.35, within(0.8));
        assertThat(found.path("figure").asInt()).isBetween(25, 45);
        assertThat(found.path("places").get(0).path("from").asDouble()).isCloseTo(0.35, within(0.01));
        assertThat(found.path("places").get(0).path("to").asDouble()).isCloseTo(0.65, within(0.01));
        // The face shows all of the picture's width: there is nothing to move into.
        assertThat(api.post("/originals/" + original + "/crossings/offer", Map.of("ticket", ticket))
                        .code())
                .isEqualTo("no-clear-framing");
        Map<String, Object> framing = new HashMap<>();
        framing.put("schemaVersion", 2);
        framing.put("centreX", 0.46);
        framing.put("centreY", 0.5);
        framing.put("tightness", 1.2);
        framing.put("tiltDegrees", 0);
        framing.put("quarterTurns", 0);
        framing.put("mirror", "AS_IT_IS");
        framing.put("turn", "AS_TICKET");
        framing.put("corners", "COVERED");
        framing.put("free", null);
        JsonNode offer = api.post(
                        "/originals/" + original + "/crossings/offer", Map.of("ticket", ticket, "framing", framing))
                .body();
        JsonNode after = api.post(
                        "/originals/" + original + "/crossings",
                        Map.of("ticket", ticket, "framing", offer.path("framing")))
                .body();
        assertThat(after.path("figure").asInt()).as("after %s", offer).isLessThan(10);
        ObjectNode none = ticket.deepCopy();
        none.putObject("edges").put("kind", "none");
        assertThat(api.post("/originals/" + original + "/crossings", Map.of("ticket", none))
                        .body()
                        .path("crossings")
                        .size())
                .isZero();
    }

    /** 8 × 10 in at 200 px to the inch. */
    private static byte[] mast() {
        BufferedImage picture = new BufferedImage(1600, 2000, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setColor(new Color(190, 205, 225));
        on.fillRect(0, 0, 1600, 2000);
        on.setColor(new Color(40, 30, 30));
        on.fillRect(50, 700, 40, 600);
        on.dispose();
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture, "png", png);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
        return png.toByteArray();
    }

    /** A part of the proof on a fold is the file's own pixels there, bands and marks included. */
    @Test
    void theProofOfABandIsTheFiles() throws IOException {
        String job = jobWith("proof", "kite.jpg");
        ObjectNode ticket = api.changeFirstTicket(job, document -> {
            small(document, 4, 5, 100);
            wrap(document, 1, 0.5, "mirror").put("marks", "FOLDS_AND_CORNERS");
            document.putObject("file").put("kind", "png").put("depth", "EIGHT");
        });
        String original =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", ticket);
        request.put("show", "FILE");
        request.put("look", "OWN");
        request.putObject("region").put("x", 120).put("y", 0).put("width", 90).put("height", 200);
        BufferedImage proof = ImageIO.read(new ByteArrayInputStream(
                api.picture("/originals/" + original + "/proof", request, "Embrick-Halo-Percent")
                        .bytes()));
        JsonNode piece = api.finished(api.startRun(job)).path("pieces").get(0);
        BufferedImage file = ImageIO.read(new ByteArrayInputStream(
                api.download("/pieces/" + piece.path("id").asString() + "/file")));
        assertThat(file.getWidth()).isEqualTo(800);
        for (int y = 0; y < 200; y++) {
            for (int x = 0; x < 90; x++) {
                assertThat(proof.getRGB(x, y)).as("%d, %d", x, y).isEqualTo(file.getRGB(120 + x, y));
            }
        }
    }
}
