package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The application, killed with SIGKILL in the middle of a run, again and again, at moments nobody chose. */
class KillTest {
    private static final int PIECES = 60;
    private static final int KILLS = 4;

    @TempDir
    Path folder;

    private Process application;

    @AfterEach
    void end() {
        if (application != null) {
            application.destroyForcibly();
        }
    }

    @Test
    @SuppressWarnings("ThreadSleep")
    void everyPieceExistsOnceAndWhole() throws Exception {
        ThrowawayPostgres.get().create("embrick_kill");
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Api api = new Api("http://127.0.0.1:" + port);
        start(port);
        String job = api.newJob("killed");
        for (int i = 0; i < PIECES; i++) {
            api.upload(job, String.format("kite%02d.jpg", i), TestPictures.drawn("jpg", 700 + i, 480));
        }
        Map<Path, Long> originals = fingerprints(folder.resolve("storage/originals"));
        String runId = api.startRun(job);
        Path delivery = folder.resolve("storage/deliveries/killed/prints-8x10");
        Random random = new Random();
        int made = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            Thread.sleep(1200 + random.nextInt(2500));
            application.destroyForcibly().waitFor();
            int now = assertWhole(delivery);
            assertThat(now).as("pieces after kill %d", kill + 1).isBetween(made, PIECES);
            made = now;
            start(port);
        }
        JsonNode run = api.finished(runId);
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(PIECES);
        assertThat(assertWhole(delivery)).isEqualTo(PIECES);
        for (JsonNode piece : run.path("pieces")) {
            Path file = delivery.resolve(piece.path("name").asString());
            assertThat(embrick.server.storage.Storage.digestOf(file))
                    .isEqualTo(piece.path("digest").asString());
        }
        try (Stream<Path> left = Files.list(folder.resolve("storage/making"))) {
            assertThat(left).isEmpty();
        }
        assertThat(fingerprints(folder.resolve("storage/originals"))).isEqualTo(originals);
    }

    /** Every file under a final name decodes to its last pixel, by a decoder that is not ours; returns how many there are. */
    private static int assertWhole(Path delivery) throws IOException {
        List<Path> files;
        try (Stream<Path> list = Files.list(delivery)) {
            files = list.toList();
        }
        for (Path file : files) {
            byte[] bytes = Files.readAllBytes(file);
            assertThat(bytes.length).as("%s", file).isGreaterThan(2);
            assertThat(bytes[bytes.length - 1]).as("%s ends with EOI", file).isEqualTo((byte) 0xD9);
        }
        for (int i = 0; i < files.size(); i += 6) {
            BufferedImage picture = ImageIO.read(files.get(i).toFile());
            assertThat(picture.getWidth()).isEqualTo(3000);
            assertThat(picture.getHeight()).isEqualTo(2400);
        }
        return files.size();
    }

    private static Map<Path, Long> fingerprints(Path originals) throws IOException {
        Map<Path, Long> prints = new TreeMap<>();
        try (Stream<Path> files = Files.walk(originals)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                // Stored under its digest: its content must still have it.
                assertThat(embrick.server.storage.Storage.digestOf(file))
                        .isEqualTo(file.getFileName().toString());
                prints.put(file, Files.getLastModifiedTime(file).toMillis());
            }
        }
        return prints;
    }

    @SuppressWarnings("ThreadSleep")
    private void start(int port) throws IOException, InterruptedException {
        Path log = folder.resolve("application.log");
        application = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "--add-modules=jdk.incubator.vector",
                        "--enable-native-access=ALL-UNNAMED",
                        "-Djava.awt.headless=true",
                        "-Xmx2g",
                        "embrick.server.EmbrickApplication",
                        "--server.port=" + port,
                        "--spring.datasource.url=" + ThrowawayPostgres.get().url("embrick_kill"),
                        "--spring.datasource.username=embrick",
                        "--spring.datasource.password=",
                        "--embrick.storage=" + folder.resolve("storage"))
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
                .start();
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest health = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/actuator/health"))
                .timeout(Duration.ofSeconds(2))
                .build();
        for (int i = 0; i < 600; i++) {
            if (application.waitFor(100, TimeUnit.MILLISECONDS)) {
                throw new AssertionError("the application ended: " + Files.readString(log));
            }
            try {
                if (http.send(health, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                Thread.sleep(50);
            }
        }
        throw new AssertionError("the application is not ready: " + Files.readString(log));
    }
}
