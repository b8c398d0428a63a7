package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.ArrayList;
import java.util.List;
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

    /** Linux hands its table out in parts: while others come and go between two of them, one that stays can be left out. */
    @Test
    void whoStaysIsThereHoweverManyComeAndGo() throws Exception {
        try (ServerSocket server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
                Socket client = new Socket(server.getInetAddress(), server.getLocalPort());
                Socket accepted = server.accept()) {
            HttpAsker asker = new HttpAsker(accepted.getLocalPort(), accepted.getPort());
            Thread crowd = Thread.ofPlatform().daemon().start(() -> comeAndGo(server));
            for (int look = 0; look < 2_000; look++) {
                assertThat(asker.isGone()).as("look " + look).isFalse();
            }
            crowd.interrupt();
            crowd.join();
            assertThat(client.isConnected()).isTrue();
        }
    }

    private static void comeAndGo(ServerSocket server) {
        List<Socket> open = new ArrayList<>();
        try {
            while (!Thread.currentThread().isInterrupted()) {
                open.add(new Socket(server.getInetAddress(), server.getLocalPort()));
                open.add(server.accept());
                if (open.size() > 100) {
                    for (Socket socket : open) {
                        // Reset, so that nothing stays behind.
                        socket.setSoLinger(true, 0);
                        socket.close();
                    }
                    open.clear();
                }
            }
        } catch (IOException ended) {
            throw new UncheckedIOException(ended);
        }
    }
}
