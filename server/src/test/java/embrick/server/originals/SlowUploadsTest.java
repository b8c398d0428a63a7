package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;

/** Uploads that stand still: more of them than a server has threads, usually. */
@ExtendWith(RunningServer.class)
class SlowUploadsTest {
    private static final int STANDING = 210;

    private final Api api = new Api(RunningServer.get().address());

    @Test
    @Timeout(60)
    void lockNobodyElseOut() throws IOException {
        String job = api.newJob("slow");
        URI address = URI.create(RunningServer.get().address());
        List<Socket> standing = new ArrayList<>();
        try {
            for (int i = 0; i < STANDING; i++) {
                Socket socket = new Socket(InetAddress.getLoopbackAddress(), address.getPort());
                standing.add(socket);
                String head =
                        "PUT /api/v1/jobs/" + job + "/originals?path=slow" + i + ".jpg HTTP/1.1\r\nHost: 127.0.0.1:"
                                + address.getPort()
                                + "\r\nContent-Type: application/octet-stream\r\nContent-Length: 100000\r\n\r\nbegun";
                socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
            }
            long start = System.nanoTime();
            assertThat(api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 300, 200))
                            .status())
                    .isEqualTo(200);
            assertThat(api.get("/jobs/" + job + "/originals").body()).hasSize(1);
            // Far below the twenty seconds after which the standing ones are given up.
            assertThat((System.nanoTime() - start) / 1e9).isLessThan(10);
        } finally {
            for (Socket socket : standing) {
                socket.close();
            }
        }
    }
}
