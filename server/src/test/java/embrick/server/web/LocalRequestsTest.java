package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.RunningServer;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Requests are written by hand here: a well-behaved client would not send these headers. */
@ExtendWith(RunningServer.class)
class LocalRequestsTest {
    @ParameterizedTest
    @CsvSource({
        "127.0.0.1, '', 200",
        "localhost, '', 200",
        "127.0.0.1, http://localhost:9, 200",
        "photos.example, '', 403",
        "127.0.0.1, http://photos.example, 403",
        "127.0.0.1, null, 403",
        "127.0.0.1.photos.example, '', 403"
    })
    void onlyThisMachineIsAnswered(String host, String origin, int status) throws IOException {
        URI address = URI.create(RunningServer.get().address());
        try (Socket socket = new Socket(java.net.InetAddress.getLoopbackAddress(), address.getPort())) {
            String request = "GET /api/v1/jobs HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n"
                    + (origin.isEmpty() ? "" : "Origin: " + origin + "\r\n") + "\r\n";
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            String first = new BufferedReader(
                            new InputStreamReader(socket.getInputStream(), StandardCharsets.ISO_8859_1))
                    .readLine();
            assertThat(first).contains(" " + status + " ");
        }
    }
}
