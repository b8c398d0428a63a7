package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.RunningServer;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Requests are written by hand here: a well-behaved client would not send these headers. */
@ExtendWith(RunningServer.class)
class LocalRequestsTest {
    private static final URI ADDRESS = URI.create(RunningServer.get().address());

    /** The port that we listen on stands for PORT. */
    @ParameterizedTest
    @CsvSource({
        "127.0.0.1:PORT, '', 200",
        "localhost:PORT, '', 200",
        "127.0.0.1:PORT, http://127.0.0.1:PORT, 200",
        "127.0.0.1:PORT, http://localhost:9, 403",
        "127.0.0.1:9, '', 403",
        "127.0.0.1, '', 403",
        "photos.example, '', 403",
        "photos.example:PORT, '', 403",
        "127.0.0.1:PORT, http://photos.example, 403",
        "127.0.0.1:PORT, https://127.0.0.1:PORT, 403",
        "127.0.0.1:PORT, null, 403",
        "127.0.0.1.photos.example:PORT, '', 403"
    })
    void onlyThisAddressIsAnswered(String host, String origin, int status) throws IOException {
        assertStatus(status, "GET /api/v1/jobs", "Host: " + host, origin.isEmpty() ? "" : "Origin: " + origin);
    }

    /** Fetch Metadata Request Headers, W3C: what a browser says of where a request comes from. */
    @ParameterizedTest
    @CsvSource({
        "GET /api/v1/jobs, same-origin, cors, empty, 200",
        "GET /api/v1/jobs, none, navigate, document, 200",
        "GET /api/v1/jobs, same-site, no-cors, image, 403",
        "GET /api/v1/jobs, cross-site, cors, empty, 403",
        "GET /api/v1/jobs, cross-site, navigate, document, 403",
        "GET /, cross-site, navigate, document, 200",
        "GET /, cross-site, navigate, iframe, 403",
        "POST /api/v1/jobs, same-site, navigate, document, 403"
    })
    void otherPagesReachNothing(String request, String site, String mode, String destination, int status)
            throws IOException {
        assertStatus(
                status,
                request,
                "Host: 127.0.0.1:PORT",
                "Sec-Fetch-Site: " + site + "\r\nSec-Fetch-Mode: " + mode + "\r\nSec-Fetch-Dest: " + destination);
    }

    /** What the connector refuses by itself, before any of our code, is told in RFC 9457 as well. */
    @ParameterizedTest
    @CsvSource({
        "GET /api/v1/jobs?x=[, 400",
        "GET /api/v1/<jobs>, 400",
        "GET /api/v1/%zz, 400",
        "GET /api/v1/a%2Fb, 400",
        "GET /api/v1/%00, 400",
        "GET /api/v1/jobs/1/originals?path=%ff%fe, 400",
    })
    void whatTheConnectorRefusesIsToldAsAProblem(String request, int status) throws IOException {
        String answer = assertStatus(status, request, "Host: 127.0.0.1:PORT", "");
        assertThat(answer)
                .contains("application/problem+json")
                .doesNotContain("<html")
                .contains("nosniff");
    }

    @ParameterizedTest
    @CsvSource({"GET /api/v1/jobs, photos.example, 403", "GET /api/v1/jobs, 127.0.0.1:PORT, 200"})
    void everyAnswerTellsBrowsersWhatIsAllowed(String request, String host, int status) throws IOException {
        String answer = assertStatus(status, request, "Host: " + host, "");
        assertThat(answer)
                .contains("X-Content-Type-Options: nosniff")
                .contains("frame-ancestors 'none'")
                .contains("script-src 'self';")
                .contains("Referrer-Policy: no-referrer")
                .contains("Cross-Origin-Resource-Policy: same-origin")
                .contains("Cross-Origin-Opener-Policy: same-origin");
        if (status == 200) {
            assertThat(answer).contains("Cache-Control: no-store");
        } else {
            assertThat(answer).contains("application/problem+json");
        }
    }

    private static String assertStatus(int status, String request, String host, String more) throws IOException {
        try (Socket socket = new Socket(java.net.InetAddress.getLoopbackAddress(), ADDRESS.getPort())) {
            String text = request + " HTTP/1.1\r\n" + host + "\r\nConnection: close\r\n"
                    + (more.isEmpty() ? "" : more + "\r\n")
                    + (request.startsWith("POST") ? "Content-Length: 0\r\n" : "") + "\r\n";
            socket.getOutputStream()
                    .write(text.replace("PORT", "" + ADDRESS.getPort()).getBytes(StandardCharsets.ISO_8859_1));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer.lines().findFirst().orElse("")).contains(" " + status + " ");
            return answer;
        }
    }
}
