package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import org.junit.jupiter.api.Test;

/** Who has left without a word. */
class HttpAskerTest {
    @Test
    void whoHoldsTheLineIsThereAndWhoHungUpIsGone() throws Exception {
        try (ServerSocket server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
                Socket client = new Socket(server.getInetAddress(), server.getLocalPort());
                Socket accepted = server.accept()) {
            HttpAsker asker = new HttpAsker(accepted.getLocalPort(), accepted.getPort());
            assertThat(asker.isGone()).isFalse();
            client.close();
            assertThat(asker.isGone()).isTrue();
        }
    }
}
