package embrick.server.tickets;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

@ExtendWith(RunningServer.class)
class TicketApiTest {
    private static final JsonMapper JSON = new JsonMapper();

    private final Api api = new Api(RunningServer.get().address());

    @Test
    void aNewJobHasATicketThatCanRunAtOnce() {
        ObjectNode ticket = api.firstTicket(api.newJob("ticket"));
        assertThat(ticket.path("document").path("ppi").asInt()).isEqualTo(300);
        assertThat(ticket.path("document").path("size").path("kind").asString()).isEqualTo("paper");
    }

    @Test
    void aStaleEditFromASecondWindowIsRefused() {
        ObjectNode seen = api.firstTicket(api.newJob("two windows"));
        assertThat(api.sayTicket(seen, document -> document.put("ppi", 240)).status())
                .isEqualTo(200);
        Answer second = api.sayTicket(seen, document -> document.put("ppi", 360));
        assertThat(second.status()).isEqualTo(412);
        assertThat(second.code()).isEqualTo("stale-version");
        assertThat(api.get("/tickets/" + seen.path("id").asString())
                        .body()
                        .path("document")
                        .path("ppi")
                        .asInt())
                .isEqualTo(240);
    }

    @ParameterizedTest
    @CsvSource({"0", "-300", "1000000000", "20001", "0.5"})
    void impossiblePpiIsToldAtItsPhraseAndNotKept(String ppi) {
        ObjectNode ticket = api.firstTicket(api.newJob("ppi"));
        Answer answer = api.sayTicket(ticket, document -> document.put("ppi", new java.math.BigDecimal(ppi)));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().path("problems").get(0).path("subject").asString())
                .isEqualTo("ppi");
        assertThat(api.get("/tickets/" + ticket.path("id").asString())
                        .body()
                        .path("document")
                        .path("ppi")
                        .asInt())
                .isEqualTo(300);
    }

    /** Each way to say a size, as it comes over the wire; the pieces of a picture of 1800 × 1200, by arithmetic. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            {"kind":"pixels","width":1080,"height":1350}                                                          | 1350 x 1080
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"side","side":"LONG","pixels":1024}}                | 1024 x 683
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"side","side":"SHORT","pixels":5000}}               | 1800 x 1200
            {"kind":"scaled","enlarging":"ALLOWED","to":{"kind":"side","side":"SHORT","pixels":2400}}             | 3600 x 2400
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"length","side":"WIDTH","length":{"value":3,"unit":"IN"}}} | 900 x 600
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"within","width":600,"height":600}}                 | 600 x 400
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"megapixels","millions":0.54}}                      | 900 x 600
            {"kind":"scaled","enlarging":"NEVER","to":{"kind":"percent","percent":25}}                            | 450 x 300
            """)
    void aSizeCanBeSaidInManyWays(String size, String pixels) {
        String job = api.newJob("sizes");
        String original = api.upload(job, "a.jpg", TestPictures.drawn("jpg", 1800, 1200))
                .body()
                .path("id")
                .asString();
        ObjectNode ticket = api.firstTicket(job);
        Answer kept = api.sayTicket(ticket, document -> document.set("size", JSON.readTree(size)));
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
        assertThat(kept.body().path("document").path("size").path("kind"))
                .isEqualTo(JSON.readTree(size).path("kind"));
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", kept.body().path("document"));
        JsonNode plan =
                api.post("/originals/" + original + "/plan", request).body().path("plan");
        assertThat(plan.path("width").asInt() + " x " + plan.path("height").asInt())
                .isEqualTo(pixels);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            {"kind":"percent","percent":0}                        | per cent: expected 0.1 to 1600, got 0
            {"kind":"percent","percent":10000}                    | per cent: expected 0.1 to 1600, got 10000
            {"kind":"side","side":"LONG","pixels":-1}             | side: expected 1 to 300000 px, got -1 px
            {"kind":"within","width":0,"height":600}              | box: expected sides of 1 px or more, got 0 × 600 px
            """)
    void aMeasureThatCannotBeIsToldAtThePhrase(String measure, String text) {
        ObjectNode ticket = api.firstTicket(api.newJob("no measure"));
        Answer answer = api.sayTicket(ticket, document -> {
            ObjectNode size = document.putObject("size").put("kind", "scaled").put("enlarging", "NEVER");
            size.set("to", JSON.readTree(measure));
        });
        assertThat(answer.status()).isEqualTo(422);
        JsonNode problem = answer.body().path("problems").get(0);
        assertThat(problem.path("subject").asString()).isEqualTo("size");
        assertThat(problem.path("text").asString()).contains(text);
    }

    @Test
    void allImpossibleValuesAreToldAtOnce() {
        ObjectNode ticket = api.firstTicket(api.newJob("many"));
        Answer answer = api.sayTicket(ticket, document -> {
            document.put("ppi", 0);
            ((ObjectNode) document.path("size").path("width")).put("value", -8);
            ((ObjectNode) document.path("file")).put("quality", 400);
            ((ObjectNode) document.path("fit")).put("paper", "white-ish");
        });
        List<String> subjects = new ArrayList<>();
        answer.body()
                .path("problems")
                .forEach(problem -> subjects.add(problem.path("subject").asString()));
        assertThat(subjects).containsExactlyInAnyOrder("ppi", "size", "file", "fit");
    }

    @Test
    void sharpeningThatCannotWorkIsExplainedAtItsPhrase() {
        ObjectNode ticket = api.firstTicket(api.newJob("sharpening"));
        Answer answer = api.sayTicket(ticket, document -> {
            ObjectNode sharpening =
                    document.putObject("sharpening").put("kind", "exact").put("strength", 130);
            sharpening.putObject("radius").put("value", 0.1).put("unit", "MM");
            sharpening.put("threshold", 1);
        });
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().path("problems").get(0).path("subject").asString())
                .isEqualTo("sharpening");
        assertThat(answer.body().path("problems").get(0).path("text").asString())
                .isEqualTo("strength: expected 0 to 100, got 130");
    }

    @Test
    void aSizeTooLargeToWorkWithIsRefused() {
        ObjectNode ticket = api.firstTicket(api.newJob("large"));
        Answer answer = api.sayTicket(
                ticket,
                document -> ((ObjectNode) document.path("size").path("width"))
                        .put("value", new java.math.BigDecimal("1e300")));
        assertThat(answer.status()).isEqualTo(422);
    }

    @Test
    void anUnknownKindIsABadRequest() {
        ObjectNode ticket = api.firstTicket(api.newJob("kind"));
        Answer answer = api.sayTicket(ticket, document -> ((ObjectNode) document.path("file")).put("kind", "papyrus"));
        assertThat(answer.status()).isEqualTo(400);
    }

    @Test
    void theLastTicketOfAJobStays() {
        ObjectNode ticket = api.firstTicket(api.newJob("last"));
        Answer answer = api.send(
                "DELETE",
                "/tickets/" + ticket.path("id").asString(),
                java.net.http.HttpRequest.BodyPublishers.noBody(),
                java.util.Map.of());
        assertThat(answer.code()).isEqualTo("last-ticket");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"210%20mm | MM | 210", "6in | IN | 6", "1%201/2 | IN | 1.5"})
    void lengthsAreReadAsTyped(String text, String unit, String value) {
        Answer answer = api.get("/length?unit=IN&text=" + text);
        assertThat(answer.body().path("unit").asString()).isEqualTo(unit);
        assertThat(answer.body().path("value").decimalValue()).isEqualByComparingTo(value);
        assertThat(api.get("/length?unit=IN&text=eight").code()).isEqualTo("length");
    }
}
