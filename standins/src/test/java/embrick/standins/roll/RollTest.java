package embrick.standins.roll;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.standins.Http;
import embrick.standins.Http.Answer;
import embrick.standins.common.StandIns;
import embrick.testing.Await;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/** The roll printer as a program elsewhere sees it. Its paper is looked at: pieces are plain squares of colours of their own. */
class RollTest {
    private static final double POINTS_PER_MILLIMETRE = 72 / 25.4;
    private static final double WIDTH = 600;
    private static final double LENGTH = 900;
    private static final double SIDE = 180;

    /** Six pieces in three rows of two. */
    private static final List<Color> COLOURS =
            List.of(Color.RED, Color.GREEN, Color.BLUE, Color.CYAN, Color.MAGENTA, Color.YELLOW);

    @TempDir
    private Path home;

    private ConfigurableApplicationContext running;
    private Http roll;

    @BeforeEach
    void start() throws Exception {
        running = StandIns.start(RollApplication.class, 0, home);
        roll = new Http("http://127.0.0.1:" + running.getEnvironment().getProperty("local.server.port"));
        speed(20_000);
    }

    @AfterEach
    void end() {
        running.close();
    }

    private static double x(int number) {
        return number % 2 == 0 ? 20 : 320;
    }

    private static double y(int number) {
        return 20 + 300 * (number / 2);
    }

    private static Map<String, Object> ticket(String name) {
        List<Map<String, Object>> pieces = new ArrayList<>();
        for (int i = 0; i < COLOURS.size(); i++) {
            pieces.add(Map.of(
                    "number", i, "name", "kite" + i + ".jpg", "x", x(i), "y", y(i), "width", SIDE, "height", SIDE));
        }
        return Map.of(
                "name",
                name,
                "paper",
                "",
                "width",
                WIDTH,
                "pages",
                List.of(Map.of("length", LENGTH, "pieces", pieces)),
                "memo",
                "mine");
    }

    private static byte[] pages() throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(
                    new PDRectangle((float) (WIDTH * POINTS_PER_MILLIMETRE), (float) (LENGTH * POINTS_PER_MILLIMETRE)));
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                for (int i = 0; i < COLOURS.size(); i++) {
                    content.setNonStrokingColor(COLOURS.get(i));
                    content.addRect(
                            (float) (x(i) * POINTS_PER_MILLIMETRE),
                            (float) ((LENGTH - y(i) - SIDE) * POINTS_PER_MILLIMETRE),
                            (float) (SIDE * POINTS_PER_MILLIMETRE),
                            (float) (SIDE * POINTS_PER_MILLIMETRE));
                    content.fill();
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private void speed(double millimetresPerSecond) throws Exception {
        roll.send("PUT", "/speed", Map.of("millimetresPerSecond", millimetresPerSecond));
    }

    private void load(double width, double length) throws Exception {
        Answer loaded = roll.send("PUT", "/roll", Map.of("width", width, "paper", "lustre", "length", length));
        assertThat(loaded.status()).as("%s", loaded.body()).isEqualTo(200);
    }

    private String send(String name) throws Exception {
        String id = roll.send("POST", "/jobs", ticket(name), "Idempotency-Key", name)
                .body()
                .path("id")
                .asString();
        document(id, pages());
        return id;
    }

    private Answer document(String id, byte[] pdf) throws Exception {
        return roll.ask(
                "PUT", "/jobs/" + id + "/document", BodyPublishers.ofByteArray(pdf), "Content-Type", "application/pdf");
    }

    private JsonNode await(String path, Predicate<JsonNode> wanted) throws Exception {
        return Await.until("the answer of " + path, () -> roll.got(path), wanted);
    }

    private JsonNode done(String id) throws Exception {
        return await("/jobs/" + id, job -> {
            boolean isDrawn = true;
            for (JsonNode stretch : job.path("stretches")) {
                isDrawn &= stretch.path("isDrawn").asBoolean();
            }
            return job.path("state").asString().equals("DONE") && isDrawn;
        });
    }

    private JsonNode stopped(String why) throws Exception {
        return await("/", printer -> printer.path("stop").asString("").equals(why));
    }

    /** How much of a piece is on a stretch of paper, 0 to 1, by its colour. */
    private double seen(BufferedImage paper, int piece) {
        int same = 0;
        for (int y = 0; y < paper.getHeight(); y++) {
            for (int x = 0; x < paper.getWidth(); x++) {
                same += (paper.getRGB(x, y) & 0xFFFFFF) == (COLOURS.get(piece).getRGB() & 0xFFFFFF) ? 1 : 0;
            }
        }
        double pixelsPerMillimetre = paper.getWidth() / WIDTH;
        return same / (SIDE * SIDE * pixelsPerMillimetre * pixelsPerMillimetre);
    }

    private BufferedImage paper(String id, int stretch) throws Exception {
        return ImageIO.read(URI.create(roll.address() + "/jobs/" + id + "/stretches/" + stretch + ".png")
                .toURL());
    }

    /** Of all that lies on paper each piece is there whole once; what was cut through is less than that. */
    private void assertEachWholeOnce(String id, JsonNode job) throws Exception {
        int stretches = job.path("stretches").size();
        for (int piece = 0; piece < COLOURS.size(); piece++) {
            int whole = 0;
            for (int stretch = 1; stretch <= stretches; stretch++) {
                double seen = seen(paper(id, stretch), piece);
                Set<Integer> told = new HashSet<>();
                job.path("stretches").path(stretch - 1).path("whole").forEach(one -> told.add(one.asInt()));
                assertThat(seen > 0.97)
                        .as("piece %s on stretch %s: %s", piece, stretch, seen)
                        .isEqualTo(told.contains(piece));
                whole += seen > 0.97 ? 1 : 0;
            }
            assertThat(whole).as("piece %s", piece).isEqualTo(1);
        }
    }

    @Test
    void aJobIsPrintedOnOneStretchAndUsesPaperAndInk() throws Exception {
        JsonNode before = roll.get("/").body();
        String id = send("kites");
        JsonNode job = done(id);
        assertThat(job.at("/ticket/memo").asString()).isEqualTo("mine");
        assertThat(job.path("stretches")).hasSize(1);
        assertEachWholeOnce(id, job);
        JsonNode after = roll.get("/").body();
        assertThat(before.at("/roll/left").asDouble() - after.at("/roll/left").asDouble())
                .isCloseTo(LENGTH, within(0.01));
        // 0.9 per cent of each ink for a square metre printed on.
        assertThat(before.at("/inks/0/percent").asDouble()
                        - after.at("/inks/0/percent").asDouble())
                .isCloseTo(6 * SIDE * SIDE / 1e6 * 0.9, within(0.001));
        byte[] pdf = URI.create(roll.address() + "/jobs/" + id + "/stretches/1.pdf")
                .toURL()
                .openStream()
                .readAllBytes();
        try (PDDocument spooled = Loader.loadPDF(pdf)) {
            assertThat((double) spooled.getPage(0).getMediaBox().getHeight())
                    .isCloseTo(LENGTH * POINTS_PER_MILLIMETRE, within(0.1));
        }
    }

    @Test
    void aRollThatEndsHalfWayIsFollowedByTheNextWithoutAPieceLostOrPrintedTwice() throws Exception {
        // It ends in the second row: the first is whole, the second cut through.
        load(610, 400);
        String id = send("kites");
        stopped("PAPER");
        JsonNode half = roll.get("/jobs/" + id).body();
        assertThat(half.path("printed")).extracting(JsonNode::asInt).containsExactlyInAnyOrder(0, 1);
        load(610, 5000);
        JsonNode job = done(id);
        assertThat(job.path("stretches")).hasSize(2);
        // From 5 mm before the second row on.
        assertThat(job.at("/stretches/1/from").asDouble()).isEqualTo(315);
        assertEachWholeOnce(id, job);
    }

    @Test
    void aJamSpoilsWhatIsUnderWayAndNothingElse() throws Exception {
        speed(1500);
        String id = send("kites");
        JsonNode under = await("/jobs/" + id, job -> job.at("/stretches/0/at").asDouble() > 330);
        // The first row is whole already while the second is printed.
        assertThat(under.path("printed")).extracting(JsonNode::asInt).contains(0, 1);
        roll.send("POST", "/jam", null);
        assertThat(stopped("JAM").path("printing").asString()).isEqualTo(id);
        roll.send("POST", "/jam/clear", null);
        speed(20_000);
        JsonNode job = done(id);
        assertThat(job.path("stretches").size()).isGreaterThan(1);
        assertEachWholeOnce(id, job);
    }

    @Test
    void aNarrowerRollWaitsForAnother() throws Exception {
        load(430, 5000);
        String id = send("kites");
        stopped("OTHER_ROLL");
        assertThat(roll.get("/jobs/" + id).body().path("stretches")).isEmpty();
        load(610, 5000);
        done(id);
    }

    @Test
    void whatIsLeftIsNotSpoiledWherePiecesAreLongerThanIt() throws Exception {
        load(610, 150);
        String id = send("kites");
        JsonNode printer = stopped("SHORT");
        assertThat(printer.at("/roll/left").asDouble()).isEqualTo(150);
        assertThat(roll.get("/jobs/" + id).body().path("stretches")).isEmpty();
        // Long enough for the first row alone, which begins 20 mm from the page's edge.
        load(610, 20 + SIDE + 10);
        stopped("PAPER");
        load(610, 5000);
        assertEachWholeOnce(id, done(id));
    }

    @Test
    void aRestartGoesOn() throws Exception {
        speed(1500);
        String id = send("kites");
        await("/jobs/" + id, job -> job.at("/stretches/0/at").asDouble() > 100);
        running.close();
        start();
        assertEachWholeOnce(id, done(id));
    }

    @Test
    void theSameKeyIsTheSameJobAndItsPagesMustBeThoseOfItsTicket() throws Exception {
        Answer first = roll.send("POST", "/jobs", ticket("kites"), "Idempotency-Key", "k");
        Answer again = roll.send("POST", "/jobs", ticket("kites"), "Idempotency-Key", "k");
        assertThat(again.status()).isEqualTo(200);
        assertThat(again.body().path("id")).isEqualTo(first.body().path("id"));
        assertThat(roll.send("POST", "/jobs", ticket("others"), "Idempotency-Key", "k")
                        .status())
                .isEqualTo(409);
        String id = first.body().path("id").asString();
        assertThat(document(id, "no pdf".getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .body()
                        .path("code")
                        .asString())
                .isEqualTo("no-pdf");
        try (PDDocument small = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            small.addPage(new PDPage(PDRectangle.A4));
            small.save(out);
            assertThat(document(id, out.toByteArray()).body().path("code").asString())
                    .isEqualTo("other-size");
        }
        assertThat(roll.get("/jobs/" + id).body().path("state").asString()).isEqualTo("RECEIVING");
        document(id, pages());
        done(id);
        // Sent once more after the line broke: nothing is printed again.
        document(id, pages());
        assertThat(roll.get("/jobs/" + id).body().path("stretches")).hasSize(1);
    }

    @Test
    void aCancelledJobMakesWayForTheNext() throws Exception {
        speed(500);
        String first = send("first");
        String second = send("second");
        await("/jobs/" + first, job -> job.path("state").asString().equals("PRINTING"));
        roll.send("POST", "/jobs/" + first + "/cancel", null);
        speed(20_000);
        done(second);
        assertThat(roll.get("/jobs/" + first).body().path("state").asString()).isEqualTo("CANCELLED");
    }

    /** 0.9 per cent for a square metre: the black's 64 last for 71.1 of them. */
    @Test
    void inkIsUsedByWhatIsPrintedOnAndFilledAgain() {
        double squareMetre = 1e6;
        assertThat(Printer.NEW.after(0, 71 * squareMetre).hasInk()).isTrue();
        Printer empty = Printer.NEW.after(0, 72 * squareMetre);
        assertThat(empty.hasInk()).isFalse();
        assertThat(empty.filled().hasInk()).isTrue();
    }
}
