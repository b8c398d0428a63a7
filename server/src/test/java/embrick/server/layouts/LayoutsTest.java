package embrick.server.layouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Pieces of a run laid on paper; the PDF is looked at by poppler-utils and qpdf (Debian). */
@ExtendWith(RunningServer.class)
class LayoutsTest {
    private static final double POINTS_PER_MILLIMETRE = 72 / 25.4;

    @TempDir
    private Path folder;

    private final Api api = new Api(RunningServer.get().address());

    /** Prints of 8 × 10 in. */
    private String runOf(String name, int pictures, Consumer<ObjectNode> ticket) {
        String job = api.newJob(name);
        for (int i = 0; i < pictures; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 400 + i, i % 2 == 0 ? 300 : 500));
        }
        api.changeFirstTicket(job, document -> {
            document.put("ppi", 50);
            ticket.accept(document);
        });
        String run = api.startRun(job);
        api.finished(run);
        return run;
    }

    private static Map<String, Object> wish(List<String> runs, double width, Double height) {
        Map<String, Object> wish = new TreeMap<>();
        wish.put("runIds", runs);
        wish.put("width", width);
        wish.put("height", height);
        wish.put("margin", 5);
        wish.put("gap", 6);
        wish.put("mayTurn", true);
        wish.put("byRun", false);
        wish.put("byHand", List.of());
        return wish;
    }

    private static Map<String, Object> with(Map<String, Object> wish, String key, Object value) {
        Map<String, Object> changed = new TreeMap<>(wish);
        changed.put(key, value);
        return changed;
    }

    private static void assertApart(JsonNode page) {
        List<JsonNode> laid = new ArrayList<>();
        page.path("laid").forEach(laid::add);
        for (JsonNode one : laid) {
            for (JsonNode other : laid) {
                if (one != other) {
                    boolean isApart = end(one, "x", "width") <= other.path("x").asDouble()
                            || end(other, "x", "width") <= one.path("x").asDouble()
                            || end(one, "y", "height") <= other.path("y").asDouble()
                            || end(other, "y", "height") <= one.path("y").asDouble();
                    assertThat(isApart).as("%s and %s", one, other).isTrue();
                }
            }
        }
    }

    private static double end(JsonNode laid, String place, String size) {
        return laid.path(place).asDouble() + laid.path(size).asDouble();
    }

    private Path pdf(Map<String, Object> wish) throws IOException {
        Path file = folder.resolve("laid.pdf");
        Files.write(file, api.picture("/layouts/pdf", wish, "Content-Type").bytes());
        return file;
    }

    /** Where poppler finds each picture on a page, in the 1.5 times larger points that pdftohtml writes; sides made positive. */
    private static List<double[]> pictures(Path pdf) {
        List<double[]> found = new ArrayList<>();
        Matcher image = Pattern.compile(
                        "<image top=\"(-?\\d+)\" left=\"(-?\\d+)\" width=\"(-?\\d+)\" height=\"(-?\\d+)\"")
                .matcher(Outside.run("pdftohtml", "-xml", "-stdout", "-nodrm", "-fmt", "png", pdf.toString()));
        while (image.find()) {
            double[] box = new double[4];
            for (int i = 0; i < 4; i++) {
                box[i] = Double.parseDouble(image.group(i + 1)) / 1.5;
            }
            found.add(new double[] {
                Math.min(box[1], box[1] + box[2]),
                Math.min(box[0], box[0] + box[3]),
                Math.max(box[1], box[1] + box[2]),
                Math.max(box[0], box[0] + box[3])
            });
        }
        return found;
    }

    @Test
    void aRollHasAllPiecesInTheirTrueSizeAndNoneOverAnother() throws IOException {
        String run = runOf("On a roll", 9, _ -> {});
        Map<String, Object> wish = with(wish(List.of(run), 609.6, null), "price", 10);
        Answer answer = api.post("/layouts", wish);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        JsonNode page = answer.body().path("pages").path(0);
        assertThat(answer.body().path("pages")).hasSize(1);
        assertThat(page.path("laid")).hasSize(9);
        assertApart(page);
        assertThat(answer.body().path("cost").asDouble())
                .isCloseTo(page.path("height").asDouble() / 100, within(1e-9));

        Path file = pdf(wish);
        Outside.run("qpdf", "--check", file.toString());
        assertThat(Outside.run("pdfinfo", file.toString()))
                .containsPattern("Pages: +1\n")
                .containsPattern("Page size: +1728 x "
                        + Math.round(page.path("height").asDouble() * POINTS_PER_MILLIMETRE) / 10 + "\\d");
        List<double[]> pictures = pictures(file);
        assertThat(pictures).hasSize(9);
        for (double[] one : pictures) {
            // 8 × 10 in, within the whole numbers that pdftohtml writes.
            double across = one[2] - one[0];
            double along = one[3] - one[1];
            assertThat(Math.min(across, along)).isCloseTo(576, within(1.5));
            assertThat(Math.max(across, along)).isCloseTo(720, within(1.5));
            assertThat(pictures)
                    .filteredOn(other -> other != one)
                    .allMatch(other -> one[2] <= other[0] + 1
                            || other[2] <= one[0] + 1
                            || one[3] <= other[1] + 1
                            || other[3] <= one[1] + 1);
        }
        assertThat(Outside.run("pdfimages", "-list", file.toString()).lines().filter(line -> line.contains(" jpeg ")))
                .as("as they were packed")
                .hasSize(9);
    }

    @Test
    void sheetsHoldSeveralPrintsAndCopiesAreLaidAsOftenAsWanted() throws IOException {
        String run = runOf("On sheets", 3, _ -> {});
        JsonNode two = api.post("/layouts", wish(List.of(run), 330.2, 558.8)).body();
        assertThat(two.path("pages")).hasSize(2);
        two.path("pages").forEach(LayoutsTest::assertApart);
        assertThat(pictures(pdf(wish(List.of(run), 330.2, 558.8)))).hasSize(3);

        String twice = runOf("Two of each", 2, document -> document.put("copies", 2));
        JsonNode copies =
                api.post("/layouts", wish(List.of(twice), 609.6, null)).body();
        assertThat(copies.path("pages")
                        .path(0)
                        .path("laid")
                        .valueStream()
                        .map(one -> one.path("copy").asInt()))
                .containsExactlyInAnyOrder(1, 2, 1, 2);
    }

    @Test
    void whatIsTooLargeIsRefusedByNameOrPrintedInParts() throws IOException {
        String run = runOf("Too large", 2, _ -> {});
        Map<String, Object> narrow = wish(List.of(run), 160, null);
        JsonNode refused = api.post("/layouts", narrow).body();
        assertThat(refused.path("pages")).isEmpty();
        assertThat(refused.path("refused")).hasSize(2);
        assertThat(refused.path("refused").path(0).path("text").asString())
                .contains("kite0")
                .contains("254 × 203 mm");
        assertThat(api.post("/layouts/pdf", narrow).code()).isEqualTo("too-large-for-paper");

        Map<String, Object> parts = with(narrow, "overlap", 10);
        JsonNode laid = api.post("/layouts", parts).body();
        assertThat(laid.path("refused")).isEmpty();
        assertThat(laid.path("pages").path(0).path("laid"))
                .hasSize(4)
                .allMatch(one -> one.path("parts").asInt() == 2);
        assertApart(laid.path("pages").path(0));
        // Each part draws the whole picture and shows its part of it; the file holds each picture once.
        Outside.run("qpdf", "--check", pdf(parts).toString());
        JsonNode mustNotTurn = api.post("/layouts", with(wish(List.of(run), 220, 500.0), "mayTurn", false))
                .body();
        assertThat(mustNotTurn.path("refused").path(0).path("remedy").asString())
                .contains("turned");
    }

    @Test
    void whatIsMovedByHandStaysThereOrIsToldAsWrong() {
        String run = runOf("By hand", 2, _ -> {});
        Map<String, Object> wish = wish(List.of(run), 609.6, null);
        Map<String, Object> aside =
                with(wish, "byHand", List.of(Map.of("number", 1, "page", 0, "x", 300.5, "y", 700, "turned", false)));
        JsonNode moved = api.post("/layouts", aside).body();
        assertThat(moved.path("wrong")).isEmpty();
        JsonNode page = moved.path("pages").path(0);
        assertThat(page.path("laid")
                        .valueStream()
                        .filter(one -> one.path("number").asInt() == 1))
                .singleElement()
                .matches(one ->
                        one.path("x").asDouble() == 300.5 && one.path("y").asDouble() == 700);
        assertThat(page.path("height").asDouble()).isGreaterThan(900);

        Map<String, Object> over = with(
                wish,
                "byHand",
                List.of(
                        Map.of("number", 0, "page", 0, "x", 20, "y", 20, "turned", false),
                        Map.of("number", 1, "page", 0, "x", 30, "y", 30, "turned", true)));
        assertThat(api.post("/layouts", over)
                        .body()
                        .path("wrong")
                        .path(0)
                        .path("code")
                        .asString())
                .isEqualTo("pieces-overlap");
        assertThat(api.post("/layouts/pdf", over).code()).isEqualTo("pieces-overlap");
        Map<String, Object> off =
                with(wish, "byHand", List.of(Map.of("number", 0, "page", 0, "x", 590, "y", 20, "turned", false)));
        assertThat(api.post("/layouts", off)
                        .body()
                        .path("wrong")
                        .path(0)
                        .path("code")
                        .asString())
                .isEqualTo("off-the-paper");
    }

    @Test
    void severalRunsAreLaidTogetherOrOneAfterTheOther() {
        String one = runOf("First of two", 3, _ -> {});
        String other = runOf("Second of two", 3, _ -> {});
        Map<String, Object> wish = wish(List.of(one, other), 609.6, null);
        JsonNode together = api.post("/layouts", wish).body();
        JsonNode apart = api.post("/layouts", with(wish, "byRun", true)).body();
        assertThat(together.path("length").asDouble())
                .isLessThanOrEqualTo(apart.path("length").asDouble());
        double lastOfFirst = 0;
        double firstOfSecond = Double.MAX_VALUE;
        for (JsonNode laid : apart.path("pages").path(0).path("laid")) {
            if (laid.path("runId").asString().equals(one)) {
                lastOfFirst = Math.max(lastOfFirst, end(laid, "y", "height"));
            } else {
                firstOfSecond = Math.min(firstOfSecond, laid.path("y").asDouble());
            }
        }
        assertThat(firstOfSecond).isGreaterThanOrEqualTo(lastOfFirst + 6);
    }

    @Test
    void wishesThatCannotBeAreRefused() {
        String run = runOf(
                "Refused",
                1,
                document -> document.putObject("file").put("kind", "png").put("depth", "EIGHT"));
        assertThat(api.post("/layouts", with(wish(List.of(run), 100, null), "margin", 60))
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/layouts", wish(List.of("00000000-0000-7000-8000-000000000000"), 600, null))
                        .status())
                .isEqualTo(404);
        JsonNode png = api.post("/layouts", wish(List.of(run), 600, null)).body();
        assertThat(png.path("refused").path(0).path("code").asString()).isEqualTo("not-for-sheets");
    }

    /** What is printed is whole or refused: nobody counts the pieces on a sheet. */
    @Test
    void aPieceThatIsGoneIsToldAndNoSheetIsMadeWithoutIt() throws IOException {
        String run = runOf("Lost", 3, _ -> {});
        JsonNode piece = api.get("/runs/" + run).body().at("/pieces/1");
        Path place = Path.of(
                api.get("/runs/" + run + "/delivery").body().path("place").asString());
        Files.delete(place.resolve(piece.path("name").asString()));
        Map<String, Object> wish = wish(List.of(run), 609.6, null);
        assertThat(api.post("/layouts", wish).body().at("/refused/0/code").asString())
                .isEqualTo("piece-lost");
        Answer refused = api.post("/layouts/pdf", wish);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.code()).isEqualTo("piece-lost");
        assertThat(refused.body().at("/problems/0/text").asString())
                .contains(piece.path("name").asString());
    }
}
