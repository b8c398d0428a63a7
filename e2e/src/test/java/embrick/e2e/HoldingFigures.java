package embrick.e2e;

import embrick.server.support.Api;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.awt.Color;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * What docs/measured.md tells of starts, kills and long lists; run by {@code ./embrick bench holding}, never as a test: the
 * figures are of the machine they are read on.
 */
class HoldingFigures {
    private static final int PICTURES = 3000;
    private static final int JOBS = 50;
    private static final int PAGES = 49;
    private static final int TIMES = 40;

    @TempDir
    Path folder;

    private Api api;
    private int port;
    private OwnProcess application;

    private static void tell(String what, String figure) {
        System.out.printf(Locale.ROOT, "FIGURE %s: %s%n", what, figure);
    }

    @Test
    void figures() throws Exception {
        ThrowawayPostgres postgres = ThrowawayPostgres.another();
        postgres.create("figures");
        port = OwnProcess.freePort();
        api = new Api("http://127.0.0.1:" + port);
        application = OwnProcess.application(folder, port, postgres, "figures");
        try {
            tell("first start, s", String.format(Locale.ROOT, "%.1f", application.start()));
            String job = intake();
            lists(job);
            run(job);
            afterAKill(job);
        } finally {
            application.kill();
        }
    }

    private String intake() throws Exception {
        String job = api.newJob("three thousand");
        byte[][] contents = new byte[PICTURES][];
        for (int i = 0; i < PICTURES; i++) {
            contents[i] = TestPictures.drawn("jpg", 600, 400, new Color(i * 5591));
        }
        long begun = System.nanoTime();
        try (ExecutorService senders = Executors.newFixedThreadPool(4)) {
            for (int i = 0; i < PICTURES; i++) {
                int number = i;
                senders.submit(() -> api.upload(job, String.format("kite%04d.jpg", number), contents[number]));
            }
        }
        tell("intake of 3000 small pictures, four at a time, s", seconds(begun));
        return job;
    }

    private void lists(String job) {
        for (int i = 1; i < JOBS; i++) {
            api.newJob("job " + i);
        }
        tell("list of 50 jobs, ms (median, 95th percentile)", times("/jobs"));
        tell("originals of 3000, ms", times("/jobs/" + job + "/originals"));
        tell("runs of a job, ms", times("/jobs/" + job + "/runs"));
    }

    private String times(String path) {
        long[] millis = new long[TIMES];
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            api.get(path);
            millis[i] = (System.nanoTime() - begun) / 1_000_000;
        }
        Arrays.sort(millis);
        return millis[TIMES / 2] + ", " + millis[TIMES * 95 / 100];
    }

    private void run(String job) throws Exception {
        api.changeFirstTicket(job, document -> document.put("ppi", 30));
        List<AtomicLong> longest = new ArrayList<>();
        try (ExecutorService pages = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < PAGES; i++) {
                AtomicLong gap = new AtomicLong();
                longest.add(gap);
                pages.submit(() -> listen(job, gap));
            }
            long begun = System.nanoTime();
            String run = api.startRun(job);
            tell("start of a run of 3000, s", seconds(begun));
            long mostKb = 0;
            JsonNode state;
            do {
                Thread.sleep(500);
                state = api.get("/jobs/" + job + "/runs").body().get(0);
                mostKb = Math.max(mostKb, residentKb());
            } while (state.path("finishedAt").isNull());
            double took = (System.nanoTime() - begun) / 1e9;
            tell("pieces a second beside 49 open pages", String.format(Locale.ROOT, "%.1f", PICTURES / took));
            tell(
                    "longest time between two events of a page, s",
                    String.format(
                            Locale.ROOT,
                            "%.2f",
                            longest.stream().mapToLong(AtomicLong::get).max().orElse(0) / 1e9));
            tell("resident memory at most, MB (heap of 1024)", "" + mostKb / 1024);
            tell("pieces of a run of 3000, ms", times("/runs/" + run));
            tell("delivery of 3000, ms", times("/runs/" + run + "/delivery"));
            pages.shutdownNow();
        }
    }

    private void listen(String job, AtomicLong longest) {
        try {
            HttpResponse<Stream<String>> stream = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(
                                            URI.create("http://127.0.0.1:" + port + "/api/v1/jobs/" + job + "/events"))
                                    .build(),
                            HttpResponse.BodyHandlers.ofLines());
            long[] last = {0};
            try (Stream<String> lines = stream.body()) {
                lines.filter(line -> line.startsWith("data:"))
                        .takeWhile(line -> !line.contains("\"state\":\"FINISHED\""))
                        .forEach(_ -> {
                            long now = System.nanoTime();
                            if (last[0] != 0) {
                                longest.accumulateAndGet(now - last[0], Math::max);
                            }
                            last[0] = now;
                        });
            }
        } catch (IOException | InterruptedException | RuntimeException ended) {
            // The run is over and so are the pages.
        }
    }

    private long residentKb() throws IOException {
        return Files.readAllLines(Path.of("/proc/" + application.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmRSS:"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                .findFirst()
                .orElse(0);
    }

    private void afterAKill(String job) throws Exception {
        String run = api.startRun(job);
        while (checked(job) < 20) {
            Thread.sleep(20);
        }
        long before = checked(job);
        application.kill();
        long killed = System.nanoTime();
        application.start();
        tell("ready after a kill, without the class cache, s", seconds(killed));
        while (checked(job) <= before) {
            Thread.sleep(20);
        }
        tell("next piece after a kill, without the class cache, s", seconds(killed));
        api.post("/runs/" + run + "/stop", java.util.Map.of());
    }

    private long checked(String job) {
        return api.get("/jobs/" + job + "/runs")
                .body()
                .get(0)
                .path("counts")
                .path("checked")
                .asLong();
    }

    private static String seconds(long since) {
        return String.format(Locale.ROOT, "%.1f", (System.nanoTime() - since) / 1e9);
    }
}
