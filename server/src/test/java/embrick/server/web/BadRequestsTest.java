package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import java.net.http.HttpRequest.BodyPublishers;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Requests that cannot be right: told by the field's name and what it expects, never by the names of classes, never 5xx. */
@ExtendWith(RunningServer.class)
class BadRequestsTest {
    private static final Pattern JAVA =
            Pattern.compile("(java|tools|com|org|jakarta|embrick)\\.[a-z]+\\.|Exception|Deserializer|\\bnull\\b: |@");

    private final Api api = new Api(RunningServer.get().address());

    private static void assertTold(Answer answer, int status) {
        String body = answer.body().toString();
        assertThat(answer.status()).as(body).isEqualTo(status);
        assertThat(answer.body().path("problems").path(0).path("remedy").asString())
                .as(body)
                .isNotBlank();
        assertThat(JAVA.matcher(body.replace("urn:embrick:problem:", "")).find())
                .as(body)
                .isFalse();
    }

    /** @param value as JSON, put in the place of a value of the standard ticket */
    private Answer ticketWith(String path, String value) {
        ObjectNode stored = api.firstTicket(api.newJob("bad ticket"));
        ObjectNode document = (ObjectNode) stored.path("document");
        JsonNode parent = document.at(path.substring(0, path.lastIndexOf('/')));
        ((ObjectNode) parent).put(path.substring(path.lastIndexOf('/') + 1), "HERE");
        return api.put(
                "/tickets/" + stored.path("id").asString(),
                document.toString().replace("\"HERE\"", value),
                "If-Match",
                "\"0\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/ppi | \"abc\" | 400 | ppi: expected a number, got abc.",
                "/ppi | 1e300000000 | 422 | ppi: expected a number of at most 40 digits.",
                "/ppi | 1e-300000000 | 422 | ppi: expected a number of at most 40 digits.",
                "/ppi | -1e300000000 | 422 | ppi: expected a number of at most 40 digits.",
                "/size/width/value | 1e300000000 | 422 | size.width.value: expected a number of at most 40 digits.",
                "/file/quality | 1e300000000 | 400 | file.quality: expected a whole number",
                "/file/quality | 99999999999999999999999999 | 400 | file.quality: expected a whole number",
                "/file/quality | \"high\" | 400 | file.quality: expected a whole number, got high.",
                "/file/kind | \"exe\" | 400 | file.kind: expected one of jpeg, tiff, png, pdf, webp, as-it-is, got exe.",
                "/unit | \"FURLONG\" | 400 | unit: expected one of IN, CM, MM",
                "/names | 7 | 400 | names: expected a list",
                "/pppi | 300 | 400 | pppi: there is no such field. The nearest one is ppi.",
                "/file/qualitty | 90 | 400 | file.qualitty: there is no such field. The nearest one is quality.",
                "/size | [] | 400 | size: expected an object",
                "/name | \"a\\u0000b\" | 400 | name: expected text, got a?b.",
                "/name | \"half \\ud800\" | 400 | name: expected text",
                "/schemaVersion | 99 | 422 | schemaVersion: expected 5, got 99.",
                "/schemaVersion | 1 | 422 | schemaVersion: expected 5, got 1.",
                "/schemaVersion | 1e300000000 | 400 | schemaVersion: expected a whole number",
            })
    @Timeout(20)
    void aFieldIsNamedWithWhatItExpects(String path, String value, int status, String detail) {
        Answer answer = ticketWith(path, value);
        assertTold(answer, status);
        assertThat(answer.body().path("detail").asString()).startsWith(detail);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e300000000", "1 1e9/3", "999999999999999999999999999999999999999999999999 mm", "", "%00"})
    @Timeout(20)
    void aLengthThatIsNoneIsSaidAtOnce(String text) {
        assertTold(
                api.get("/length?unit=IN&text="
                        + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8)),
                422);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/jobs/abc | 400 | id: expected an id",
                "/length?text=8&unit=FURLONG | 400 | unit: expected one of IN, CM, MM",
                "/runs/00000000-0000-7000-8000-000000000000/delivery.zip?of=HALF | 400 | of: expected one of ALL, PRESENT, got HALF.",
                "/nowhere | 404 | There is no such address",
                "/length | 400 | Required parameter"
            })
    void addressesToo(String path, int status, String detail) {
        Answer answer = api.get(path);
        assertTold(answer, status);
        assertThat(answer.body().path("detail").asString()).startsWith(detail);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "application/json | {\"name\":  | 400",
                "application/json | nonsense | 400",
                "application/json | [] | 400",
                "application/json | {\"name\": null} | 422",
                "application/json | {\"name\": {\"a\": 1}} | 400",
                "multipart/form-data; boundary=x | --x-- | 415",
                "text/plain | hello | 415"
            })
    void bodiesToo(String type, String body, int status) {
        assertTold(api.send("POST", "/jobs", BodyPublishers.ofString(body), Map.of("Content-Type", type)), status);
    }

    @Test
    void aBodyThatWouldFillTheMemoryIsRefused() {
        byte[] large = new byte[33 << 20];
        java.util.Arrays.fill(large, (byte) ' ');
        Answer told = api.send("POST", "/jobs", BodyPublishers.ofByteArray(large), Map.of());
        assertTold(told, 413);
        Answer counted = api.send(
                "POST", "/jobs", BodyPublishers.ofInputStream(() -> new java.io.ByteArrayInputStream(large)), Map.of());
        assertTold(counted, 400);
    }

    @Test
    void methodsThatAreNotThereToo() {
        assertTold(api.delete("/papers"), 405);
    }

    /** What was refused is not stored: the job's tickets still read. */
    @Test
    void aDocumentOfAnotherVersionSpoilsNothing() {
        String job = api.newJob("versions");
        ObjectNode document = (ObjectNode) api.firstTicket(job).path("document");
        document.put("schemaVersion", 99);
        assertThat(api.post("/jobs/" + job + "/tickets", document).code()).isEqualTo("schema-version");
        assertThat(api.get("/jobs/" + job + "/tickets").body()).hasSize(1);
    }

    @Test
    void aFractionIsNoWholeNumber() {
        String job = api.newJob("fractions");
        ObjectNode document = (ObjectNode) api.firstTicket(job).path("document");
        ((ObjectNode) document.path("file")).put("quality", 95.5);
        Answer refused = api.post("/jobs/" + job + "/tickets", document);
        assertTold(refused, 400);
        assertThat(refused.body().at("/problems/0/text").asString()).contains("file.quality: expected a whole number");
    }

    @ParameterizedTest
    @CsvSource({"8:10, 200", "5:4, 200", "10:8-at-scale, 200", "own, 200", "xyz, 422", "0:5, 422", "4:5:6, 422"})
    void aShapeIsKnownHoweverItIsWritten(String shape, int status) {
        String job = api.newJob("shapes");
        assertThat(api.get("/jobs/" + job + "/framings?shape=" + shape).status())
                .isEqualTo(status);
    }

    @Test
    void aFirstFramingSaysThatThereIsNoneYet() {
        String job = api.newJob("first framing");
        String original = api.upload(job, "kite.jpg", embrick.server.support.TestPictures.drawn("jpg", 80, 60))
                .body()
                .path("id")
                .asString();
        String body = """
                {"document":{"schemaVersion":2,"centreX":0.5,"centreY":0.5,"tightness":1,"tiltDegrees":0,
                 "quarterTurns":0,"mirror":"AS_IT_IS","turn":"AS_TICKET","corners":"COVERED"},"accepted":true}""";
        String path = "/originals/" + original + "/framings/8:10";
        assertThat(api.put(path, body).status()).isEqualTo(428);
        Answer first = api.put(path, body, "If-None-Match", "*");
        assertThat(first.status()).as(first.body().toString()).isEqualTo(200);
        assertThat(api.put(path, body, "If-None-Match", "*").status()).isEqualTo(412);
        assertThat(api.put(path, body, "If-Match", first.etag()).status()).isEqualTo(200);
        assertThat(api.get("/jobs/" + job + "/framings?shape=4:5").body()).hasSize(1);
    }
}
