package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What is handed over when files of a delivery were deleted or overwritten after they were checked. */
@ExtendWith(RunningServer.class)
class DeliveryTest {
    @TempDir
    Path temporary;

    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private String run;
    private Path folder;

    @BeforeEach
    void aDeliveryOfThree() {
        job = api.newJob("handed over");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        run = api.startRun(job);
        folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(api.finished(run).path("run").path("folder").asString());
    }

    private Path piece(int number) {
        return folder.resolve("kite" + number + "_8x10in.jpg");
    }

    private HttpResponse<byte[]> zip(String query) throws Exception {
        URI address = URI.create(RunningServer.get().address() + "/api/v1/runs/" + run + "/delivery.zip" + query);
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private String onDisk(int number) {
        return api.get("/runs/" + run + "/delivery")
                .body()
                .path("pieces")
                .get(number)
                .path("onDisk")
                .asString();
    }

    @Test
    void theZipsLengthIsKnownBeforeItsFirstByte() throws Exception {
        HttpResponse<byte[]> whole = zip("");
        assertThat(whole.headers().firstValueAsLong("Content-Length")).hasValue(whole.body().length);
        Path file = Files.write(temporary.resolve("delivery.zip"), whole.body());
        try (ZipFile read = new ZipFile(file.toFile())) {
            assertThat(read.size()).isEqualTo(6);
            assertThat(read.getInputStream(read.getEntry(folder.getFileName() + "/kite1_8x10in.jpg"))
                            .readAllBytes())
                    .isEqualTo(Files.readAllBytes(piece(1)));
        }
    }

    @Test
    void aPieceThatWasTakenAwayIsToldBeforeAnythingIsSent() throws Exception {
        Files.delete(piece(1));
        assertThat(onDisk(1)).isEqualTo("MISSING");
        assertThat(onDisk(0)).isEqualTo("PRESENT");
        HttpResponse<byte[]> refused = zip("");
        assertThat(refused.statusCode()).isEqualTo(409);
        assertThat(new String(refused.body(), StandardCharsets.UTF_8))
                .contains("piece-lost")
                .contains("kite1_8x10in.jpg is no longer in its folder");

        HttpResponse<byte[]> rest = zip("?of=PRESENT");
        Path file = Files.write(temporary.resolve("rest.zip"), rest.body());
        try (ZipFile read = new ZipFile(file.toFile())) {
            assertThat(read.size()).isEqualTo(5);
            String list = new String(
                    read.getInputStream(read.getEntry(folder.getFileName() + "/list.csv"))
                            .readAllBytes(),
                    StandardCharsets.UTF_8);
            assertThat(list).contains("missing in its folder");
        }

        api.post("/runs/" + run + "/retry", Map.of());
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(3);
        assertThat(zip("").statusCode()).isEqualTo(200);
    }

    @Test
    void aPieceThatWasOverwrittenIsNeverServedAsChecked() throws Exception {
        byte[] own = Files.readAllBytes(piece(2));
        byte[] edited = own.clone();
        edited[own.length / 2] ^= 1;
        Files.write(piece(2), edited);
        Files.setLastModifiedTime(
                piece(2),
                java.nio.file.attribute.FileTime.from(java.time.Instant.now().plusSeconds(60)));
        assertThat(onDisk(2)).isEqualTo("CHANGED");
        JsonNode listed =
                api.get("/runs/" + run + "/delivery").body().path("pieces").get(2);
        Answer served = api.get("/pieces/" + listed.path("pieceId").asString() + "/file");
        assertThat(served.status()).isEqualTo(409);
        assertThat(served.code()).isEqualTo("piece-lost");
        assertThat(zip("").statusCode()).isEqualTo(409);
        assertThat(api.get("/runs/" + run + "/delivery.pdf").status()).isEqualTo(409);

        api.post(
                "/runs/" + run + "/retry",
                Map.of("pieceIds", List.of(listed.path("pieceId").asString())));
        api.finished(run);
        assertThat(piece(2)).hasBinaryContent(own);
        // Nothing is lost: what somebody made of it stands beside it.
        assertThat(folder.resolve("kite2_8x10in (changed 1).jpg")).hasBinaryContent(edited);
    }

    /** Its content is the piece's own today. Where the link leads may say something else tomorrow. */
    @Test
    void aLinkInThePlaceOfAPieceIsNotFollowed() throws Exception {
        Path elsewhere = Files.move(piece(0), temporary.resolve("elsewhere.jpg"));
        Files.createSymbolicLink(piece(0), elsewhere);
        assertThat(onDisk(0)).isEqualTo("CHANGED");
        String id = api.get("/runs/" + run + "/delivery")
                .body()
                .path("pieces")
                .path(0)
                .path("pieceId")
                .asString();
        assertThat(api.get("/pieces/" + id + "/file").code()).isEqualTo("piece-lost");
        assertThat(zip("").statusCode()).isEqualTo(409);

        api.post("/runs/" + run + "/retry", Map.of("pieceIds", List.of(id)));
        api.finished(run);
        assertThat(piece(0)).isRegularFile().hasSameBinaryContentAs(elsewhere);
        assertThat(Files.isSymbolicLink(piece(0))).isFalse();
    }

    @Test
    void thePpiInTheListIsThatOfTheFile() throws IOException {
        JsonNode original = api.get("/jobs/" + job + "/originals").body().get(0);
        String ticket = api.firstTicket(job).path("id").asString();
        Answer edit = api.post(
                "/jobs/" + job + "/edits",
                Map.of(
                        "words", "its own ppi",
                        "framings", List.of(),
                        "overrides",
                                List.of(Map.of(
                                        "originalId",
                                        original.path("id").asString(),
                                        "ticketId",
                                        ticket,
                                        "version",
                                        -1,
                                        "document",
                                        Map.of("schemaVersion", 2, "ppi", 50)))));
        assertThat(edit.status()).as(edit.body().toString()).isEqualTo(200);
        String second = api.startRun(job);
        api.finished(second);
        JsonNode pieces = api.get("/runs/" + second + "/delivery").body().path("pieces");
        assertThat(pieces.get(0).path("ppi").asDouble()).isEqualTo(50);
        assertThat(pieces.get(1).path("ppi").asDouble()).isEqualTo(20);
        String csv = new String(api.download("/runs/" + second + "/delivery.csv"), StandardCharsets.UTF_8);
        assertThat(csv.lines().skip(1).findFirst().orElseThrow()).contains(",500,400,50.0,");
    }

    private HttpResponse<byte[]> part(String... headers) throws Exception {
        URI address = URI.create(RunningServer.get().address() + "/api/v1/runs/" + run + "/delivery.zip");
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(address).headers(headers).build(),
                        HttpResponse.BodyHandlers.ofByteArray());
    }

    /** RFC 9110, section 14: ranges; 13.1.5: If-Range. */
    @Test
    void aDownloadThatBrokeOffGoesOnWhereItEnded() throws Exception {
        HttpResponse<byte[]> whole = zip("");
        String tag = whole.headers().firstValue("ETag").orElseThrow();
        int length = whole.body().length;
        assertThat(whole.headers().firstValue("Accept-Ranges")).contains("bytes");

        HttpResponse<byte[]> rest = part("Range", "bytes=1000-", "If-Range", tag);
        assertThat(rest.statusCode()).isEqualTo(206);
        assertThat(rest.headers().firstValue("Content-Range")).contains("bytes 1000-" + (length - 1) + "/" + length);
        assertThat(rest.body()).isEqualTo(Arrays.copyOfRange(whole.body(), 1000, length));
        assertThat(part("Range", "bytes=-22").body()).isEqualTo(Arrays.copyOfRange(whole.body(), length - 22, length));
        assertThat(part("Range", "bytes=10-19").body()).isEqualTo(Arrays.copyOfRange(whole.body(), 10, 20));

        assertThat(part("Range", "bytes=" + length + "-").statusCode()).isEqualTo(416);
        assertThat(part("Range", "bytes=0-1,5-6").body()).isEqualTo(whole.body());
        assertThat(part("Range", "pages=1").statusCode()).isEqualTo(200);

        Files.delete(piece(0));
        HttpResponse<byte[]> anew = zip("?of=PRESENT");
        assertThat(anew.headers().firstValue("ETag").orElseThrow()).isNotEqualTo(tag);
    }

    @Test
    void anotherZipIsBegunAnew() throws Exception {
        HttpResponse<byte[]> other = part("Range", "bytes=1000-", "If-Range", "\"another\"");
        assertThat(other.statusCode()).isEqualTo(200);
        assertThat(other.body()).isEqualTo(zip("").body());
    }
}
