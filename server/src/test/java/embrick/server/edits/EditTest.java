package embrick.server.edits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.framing.Framing;
import embrick.server.documents.FramingDocument;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.net.http.HttpRequest.BodyPublishers;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Edits on framings are done whole, undone in order, and never over another window's. */
@ExtendWith(RunningServer.class)
class EditTest {
    private static final JsonMapper JSON = new JsonMapper();

    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private String ticket;
    private final List<String> pictures = new ArrayList<>();

    @BeforeEach
    void aJob() {
        job = api.newJob("edits");
        ticket = api.firstTicket(job).path("id").asString();
        pictures.clear();
        for (String name : List.of("a.jpg", "b.jpg", "c.jpg")) {
            pictures.add(api.upload(job, name, TestPictures.drawn("jpg", 600, name.equals("b.jpg") ? 900 : 400))
                    .body()
                    .path("id")
                    .asString());
        }
    }

    private Map<String, Object> framing(int picture, long version, Framing framing, boolean accepted) {
        return Map.of(
                "originalId",
                pictures.get(picture),
                "shapeKey",
                "4:5",
                "version",
                version,
                "document",
                FramingDocument.of(framing),
                "accepted",
                accepted);
    }

    private Answer edit(String words, List<?> framings, List<?> overrides) {
        return api.post(
                "/jobs/" + job + "/edits", Map.of("words", words, "framings", framings, "overrides", overrides));
    }

    private JsonNode history() {
        return api.get("/jobs/" + job + "/edits").body();
    }

    private Answer step(String which) {
        return api.post(
                "/jobs/" + job + "/edits/" + history().path(which).path("id").asString() + "/" + which, Map.of());
    }

    private double tiltOf(int picture) {
        for (JsonNode framing : api.get("/jobs/" + job + "/framings?shape=4:5").body()) {
            if (framing.path("originalId").asString().equals(pictures.get(picture))) {
                return framing.path("document").path("tiltDegrees").asDouble();
            }
        }
        return Double.NaN;
    }

    private static Framing tilted(double degrees) {
        return Framing.centred().withTilt(degrees);
    }

    @Test
    void anActOnManyPicturesIsOneStep() {
        Answer done = edit(
                "carried to 3 pictures",
                List.of(
                        framing(0, -1, tilted(1), false),
                        framing(1, -1, tilted(1), false),
                        framing(2, -1, tilted(1), true)),
                List.of());
        assertThat(done.status()).as(done.body().toString()).isEqualTo(200);
        assertThat(done.body().path("framings")).hasSize(3);
        assertThat(history().path("undo").path("words").asString()).isEqualTo("carried to 3 pictures");
        assertThat(step("undo").body().path("framings")).hasSize(3);
        assertThat(tiltOf(2)).isZero();
        assertThat(history().path("undo").isNull()).isTrue();
        assertThat(step("redo").status()).isEqualTo(200);
        assertThat(tiltOf(2)).isEqualTo(1);
    }

    @Test
    void stepsGoBackAndForthInOrderAndANewActEndsTheForth() {
        long version = -1;
        for (int tilt = 1; tilt <= 3; tilt++) {
            version = edit("tilted", List.of(framing(0, version, tilted(tilt), false)), List.of())
                    .body()
                    .path("framings")
                    .get(0)
                    .path("version")
                    .asLong();
        }
        assertThat(step("undo").status()).isEqualTo(200);
        assertThat(tiltOf(0)).isEqualTo(2);
        JsonNode undone = step("undo").body();
        assertThat(tiltOf(0)).isEqualTo(1);
        assertThat(step("redo")
                        .body()
                        .path("framings")
                        .get(0)
                        .path("document")
                        .path("tiltDegrees")
                        .asDouble())
                .isEqualTo(2);
        long now = undone.path("framings").get(0).path("version").asLong() + 1;
        assertThat(edit("tilted", List.of(framing(0, now, tilted(9), false)), List.of())
                        .status())
                .isEqualTo(200);
        assertThat(history().path("redo").isNull()).isTrue();
        assertThat(step("undo").status()).isEqualTo(200);
        assertThat(tiltOf(0)).isEqualTo(2);
    }

    @Test
    void aWindowThatHasNotSeenAnothersActIsToldAndNothingIsChanged() {
        assertThat(edit("one window", List.of(framing(1, -1, tilted(5), false)), List.of())
                        .status())
                .isEqualTo(200);
        Answer blind = edit(
                "another window",
                List.of(framing(0, -1, tilted(7), false), framing(1, -1, tilted(7), false)),
                List.of());
        assertThat(blind.status()).isEqualTo(412);
        assertThat(blind.code()).isEqualTo("stale-version");
        assertThat(blind.body().toString()).contains("b.jpg");
        assertThat(tiltOf(0)).isNaN();
        assertThat(tiltOf(1)).isEqualTo(5);
    }

    @Test
    void anActThatWasNotSeenIsNotUndone() {
        edit("first", List.of(framing(0, -1, tilted(1), false)), List.of());
        String seen = history().path("undo").path("id").asString();
        edit("second", List.of(framing(1, -1, tilted(2), false)), List.of());
        Answer blind = api.post("/jobs/" + job + "/edits/" + seen + "/undo", Map.of());
        assertThat(blind.code()).isEqualTo("stale-version");
        assertThat(tiltOf(1)).isEqualTo(2);
    }

    @Test
    void aPictureOfAnotherJobIsNotTouched() {
        String other = api.newJob("other");
        String stranger = api.upload(other, "x.jpg", TestPictures.drawn("jpg", 60, 40))
                .body()
                .path("id")
                .asString();
        pictures.set(0, stranger);
        assertThat(edit("not ours", List.of(framing(0, -1, tilted(1), false)), List.of())
                        .status())
                .isEqualTo(404);
    }

    private Map<String, Object> override(int picture, Object document) {
        return Map.of("originalId", pictures.get(picture), "ticketId", ticket, "version", -1, "document", document);
    }

    private JsonNode estimateOf(String name) {
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", api.firstTicket(job).path("document"));
        request.put("jobName", "edits");
        request.put("ticketId", ticket);
        for (JsonNode picture :
                api.post("/jobs/" + job + "/estimate", request).body().path("pictures")) {
            if (picture.path("name").asString().startsWith(name)) {
                return picture;
            }
        }
        throw new AssertionError("no " + name);
    }

    @Test
    void aPicturesOwnPpiHoldsForItAloneInOutlookAndRun() {
        Answer done = edit("own ppi", List.of(), List.of(override(0, Map.of("schemaVersion", 2, "ppi", 150))));
        assertThat(done.status()).as(done.body().toString()).isEqualTo(200);
        // 10 × 8 in at 150 and at 300 ppi.
        assertThat(estimateOf("a").path("width").asInt()).isEqualTo(1500);
        assertThat(estimateOf("c").path("width").asInt()).isEqualTo(3000);
        JsonNode run = api.finished(api.startRun(job));
        for (JsonNode piece : run.path("pieces")) {
            int expected = piece.path("name").asString().startsWith("a") ? 1500 : 3000;
            assertThat(Math.max(
                            piece.path("width").asInt(), piece.path("height").asInt()))
                    .isEqualTo(expected);
            assertThat(piece.path("state").asString()).isEqualTo("CHECKED");
        }
        assertThat(step("undo").status()).isEqualTo(200);
        assertThat(estimateOf("a").path("width").asInt()).isEqualTo(3000);
    }

    @Test
    void aDepartureIsOfATicketOfItsOwnJob() {
        ticket = api.firstTicket(api.newJob("another")).path("id").asString();
        Map<String, Object> strange = override(0, Map.of("schemaVersion", 2, "ppi", 150));
        assertThat(edit("own ppi", List.of(), List.of(strange)).status()).isEqualTo(404);
        assertThat(history().path("undo").isNull()).isTrue();
    }

    @Test
    void anActIsUndoneEvenWhereItsTicketWasTakenAway() {
        JsonNode second = api.post(
                        "/jobs/" + job + "/tickets", api.firstTicket(job).path("document"))
                .body();
        ticket = second.path("id").asString();
        edit(
                "both",
                List.of(framing(0, -1, tilted(4), false)),
                List.of(override(0, Map.of("schemaVersion", 2, "ppi", 150))));
        assertThat(api.send("DELETE", "/tickets/" + ticket, BodyPublishers.noBody(), Map.of())
                        .status())
                .isBetween(200, 204);
        assertThat(step("undo").status()).isEqualTo(200);
        assertThat(tiltOf(0)).isZero();
    }

    @Test
    void aDepartureThatCannotWorkIsRefused() {
        Answer refused = edit("own ppi", List.of(), List.of(override(0, Map.of("schemaVersion", 2, "ppi", 0))));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("ppi: expected 1 to");
        assertThat(history().path("undo").isNull()).isTrue();
    }

    @Test
    void whatWouldBeCarriedIsShownAndThenDoneAsOneAct() {
        Framing from = Framing.centred().withCentre(0.4, 0.5).withTightness(2).withTilt(3);
        edit("framed", List.of(framing(0, -1, from, true)), List.of());
        Answer preview = api.post(
                "/tickets/" + ticket + "/carry",
                Map.of("from", pictures.get(0), "to", pictures, "parts", List.of("PLACE")));
        assertThat(preview.status()).as(preview.body().toString()).isEqualTo(200);
        JsonNode changes = preview.body().path("changes");
        assertThat(changes).hasSize(2);
        for (JsonNode change : changes) {
            // Twice as tight: half the original pixels to an inch.
            assertThat(change.path("after").path("realPpi").asDouble())
                    .isCloseTo(change.path("before").path("realPpi").asDouble() / 2, within(1e-6));
            assertThat(change.path("framing")
                            .path("document")
                            .path("tiltDegrees")
                            .asDouble())
                    .isZero();
        }
        List<JsonNode> wishes = new ArrayList<>();
        changes.forEach(change -> wishes.add(change.path("framing")));
        assertThat(edit("carried", wishes, List.of()).status()).isEqualTo(200);
        Answer again = api.post(
                "/tickets/" + ticket + "/carry",
                Map.of("from", pictures.get(0), "to", pictures, "parts", List.of("PLACE")));
        assertThat(again.body().path("changes")).isEmpty();
        assertThat(again.body().path("unchanged").asInt()).isEqualTo(2);
    }

    @Test
    void aSharpeningForThisPictureAloneIsCarried() {
        Map<String, Object> sharpening =
                Map.of("schemaVersion", 2, "sharpening", Map.of("kind", "paper", "paper", "MATT"));
        edit("own sharpening", List.of(), List.of(override(0, sharpening)));
        JsonNode changes = api.post(
                        "/tickets/" + ticket + "/carry",
                        Map.of("from", pictures.get(0), "to", List.of(pictures.get(2)), "parts", List.of("SHARPENING")))
                .body()
                .path("changes");
        assertThat(changes).hasSize(1);
        assertThat(changes.get(0).path("framing").isNull()).isTrue();
        assertThat(edit("carried", List.of(), List.of(changes.get(0).path("override")))
                        .status())
                .isEqualTo(200);
        assertThat(estimateOf("c").path("sharpening").isNull()).isFalse();
        assertThat(estimateOf("b").path("sharpening").isNull()).isTrue();
        assertThat(api.get("/tickets/" + ticket + "/overrides").body()).hasSize(2);
    }

    @Test
    void aLevelLineTiltsByItsOwnAngleAndLoosensTheFrame() {
        double[][] lines = {{100, 200, 4300, 351}, {5000, 90, 400, 20}, {1200, 3000, 1290, 10}, {10, 10, 500, 480}};
        for (double[] line : lines) {
            ObjectNode request = JSON.createObjectNode();
            request.set(
                    "framing",
                    JSON.valueToTree(FramingDocument.of(
                            Framing.centred().withCentre(0.4, 0.6).withTightness(1.7))));
            request.putObject("from").put("x", line[0]).put("y", line[1]);
            request.putObject("to").put("x", line[2]).put("y", line[3]);
            JsonNode levelled = api.post("/framings/level", request).body();
            double slope = Math.toDegrees(Math.atan2(line[3] - line[1], line[2] - line[0]));
            double expected = -(slope - 90 * Math.rint(slope / 90));
            assertThat(levelled.path("tiltDegrees").asDouble()).isCloseTo(expected, within(0.001));
            assertThat(levelled.path("tightness").asDouble()).isEqualTo(1);
            assertThat(levelled.path("centreX").asDouble()).isEqualTo(0.4);
        }
        ObjectNode point = JSON.createObjectNode();
        point.set("framing", JSON.valueToTree(FramingDocument.of(Framing.centred())));
        point.putObject("from").put("x", 5).put("y", 5);
        point.putObject("to").put("x", 5).put("y", 5);
        assertThat(api.post("/framings/level", point).code()).isEqualTo("level-line");
    }
}
