package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(RunningServer.class)
class RunEventsTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    private HttpResponse<Stream<String>> listenTo(String job) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address + "/api/v1/jobs/" + job + "/events"))
                                .build(),
                        HttpResponse.BodyHandlers.ofLines());
    }

    @Test
    @Timeout(90)
    void anOpenPageIsToldOfEveryPieceToTheEnd() throws IOException, InterruptedException {
        String job = api.newJob("events");
        for (int i = 0; i < 4; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 260 + i, 200));
        }
        HttpResponse<Stream<String>> stream = listenTo(job);
        String runId = api.startRun(job);
        List<JsonNode> events = new ArrayList<>();
        List<Long> times = new ArrayList<>();
        try (Stream<String> lines = stream.body()) {
            Iterator<String> each = lines.iterator();
            while (each.hasNext()) {
                String line = each.next();
                if (line.startsWith("data:")) {
                    events.add(new JsonMapper().readTree(line.substring(5)));
                    times.add(System.nanoTime());
                    if (!events.getLast().path("run").path("finishedAt").isNull()) {
                        break;
                    }
                }
            }
        }
        assertThat(events.getLast().path("run").path("id").asString()).isEqualTo(runId);
        assertThat(events.getLast().path("run").path("counts").path("checked").asInt())
                .isEqualTo(4);
        List<String> checked = new ArrayList<>();
        for (JsonNode event : events) {
            event.path("pieces").forEach(piece -> {
                if (piece.path("state").asString().equals("CHECKED")) {
                    checked.add(piece.path("name").asString());
                }
            });
        }
        assertThat(checked).contains("kite0_8x10in.jpg", "kite1_8x10in.jpg", "kite2_8x10in.jpg", "kite3_8x10in.jpg");
        // At most four a second: over the whole time, with one more for the first.
        double seconds = (times.getLast() - times.getFirst()) / 1e9;
        assertThat(events.size()).isLessThanOrEqualTo((int) Math.ceil(seconds * 4) + 1);
    }

    /** One page that does not listen, its window full: the others are told as if it were not there. */
    @Test
    @Timeout(90)
    void aPageThatStandsStillHoldsUpNoOther() throws Exception {
        String job = api.newJob("stalled");
        for (int i = 0; i < 6; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 260 + i, 200));
        }
        URI at = URI.create(address);
        List<Socket> stalled = new ArrayList<>();
        try {
            for (int i = 0; i < 40; i++) {
                Socket socket = new Socket();
                socket.setReceiveBufferSize(1024);
                socket.connect(new InetSocketAddress(at.getHost(), at.getPort()));
                socket.getOutputStream()
                        .write(("GET /api/v1/jobs/" + job + "/events HTTP/1.1\r\nHost: 127.0.0.1:" + at.getPort()
                                        + "\r\n\r\n")
                                .getBytes(StandardCharsets.US_ASCII));
                stalled.add(socket);
            }
            anOpenPageIsToldOfEveryPieceToTheEnd();
        } finally {
            for (Socket socket : stalled) {
                socket.close();
            }
        }
    }

    /** As after the application was started again: all pages of a shop connect at once. */
    @Test
    @Timeout(90)
    void twoHundredPagesThatComeAtOnceAreAllAnswered() throws Exception {
        String job = api.newJob("burst");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 260 + i, 200));
            api.finished(api.startRun(job));
        }
        URI at = URI.create(address);
        byte[] request = ("GET /api/v1/jobs/" + job + "/events HTTP/1.1\r\nHost: 127.0.0.1:" + at.getPort()
                        + "\r\n\r\n")
                .getBytes(StandardCharsets.US_ASCII);
        List<Socket> pages = new ArrayList<>();
        try {
            for (int i = 0; i < 200; i++) {
                Socket page = new Socket(at.getHost(), at.getPort());
                pages.add(page);
                page.getOutputStream().write(request);
            }
            for (Socket page : pages) {
                assertThat(new String(page.getInputStream().readNBytes(12), StandardCharsets.US_ASCII))
                        .isEqualTo("HTTP/1.1 200");
            }
        } finally {
            for (Socket page : pages) {
                page.close();
            }
        }
    }

    /** A page that comes later is told what goes on, and not every piece of every run there ever was. */
    @Test
    @Timeout(90)
    void aPageThatComesLaterGetsNoOldPieces() throws Exception {
        String job = api.newJob("later");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 260 + i, 200));
        }
        api.finished(api.startRun(job));
        HttpResponse<Stream<String>> stream = listenTo(job);
        String second = api.startRun(job);
        try (Stream<String> lines = stream.body()) {
            lines.filter(line -> line.startsWith("data:"))
                    .map(line -> new JsonMapper().readTree(line.substring(5)))
                    .takeWhile(event -> event.path("run").path("finishedAt").isNull())
                    .forEach(event ->
                            assertThat(event.path("run").path("id").asString()).isEqualTo(second));
        }
    }
}
