package embrick.e2e;

import embrick.server.support.Api;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a second worker brings, run by {@code ./embrick bench workers}: two on a core each against one on one core, in turns,
 * with the application that makes nothing itself. A single worker is bound to its core, for it would else use both.
 */
class WorkersFigures {
    private static final int PIECES = 60;
    private static final int TURNS = 5;
    private static final int WARMING = 4;
    private static final String DATABASE = "embrick_workers";

    @TempDir
    Path folder;

    private ThrowawayPostgres postgres;
    private Api api;

    @Test
    void throughput() throws Exception {
        postgres = ThrowawayPostgres.another();
        postgres.create(DATABASE);
        int port = OwnProcess.freePort();
        api = new Api("http://127.0.0.1:" + port);
        OwnProcess application =
                OwnProcess.application(folder, port, postgres, DATABASE).saying("--embrick.worker=false");
        OwnProcess first = worker(0);
        OwnProcess second = worker(1);
        try {
            application.start();
            String job = job();
            List<Double> ratios = new ArrayList<>();
            first.start();
            second.start();
            for (int i = 0; i < WARMING; i++) {
                seconds(job);
            }
            for (int turn = 0; turn < TURNS; turn++) {
                double two = seconds(job);
                // Held, not ended: one that begins anew is slow until its code is compiled.
                second.hold();
                double one = seconds(job);
                second.goOn();
                ratios.add(one / two);
                System.out.printf(
                        Locale.ROOT,
                        "FIGURE pieces a minute: one worker %.1f, two %.1f%n",
                        60 * PIECES / one,
                        60 * PIECES / two);
            }
            ratios.sort(null);
            System.out.printf(
                    Locale.ROOT,
                    "FIGURE two workers against one: %.2f (%.2f to %.2f)%n",
                    ratios.get(TURNS / 2),
                    ratios.getFirst(),
                    ratios.getLast());
        } finally {
            application.kill();
            first.kill();
            second.kill();
        }
    }

    private OwnProcess worker(int core) {
        return OwnProcess.worker(folder, "worker-" + core, folder.resolve("storage"), postgres, DATABASE)
                .under("taskset", "-c", String.valueOf(core));
    }

    private String job() {
        String job = api.newJob("throughput");
        for (int i = 0; i < PIECES; i++) {
            api.upload(job, String.format("sand%02d.png", i), TestPictures.sand(2400, 1600, i));
        }
        api.changeFirstTicket(job, document -> {
            document.put("ppi", 300);
            ((ObjectNode) document.path("resampling")).put("method", "LANCZOS3");
        });
        return job;
    }

    private double seconds(String job) {
        long begun = System.nanoTime();
        api.finished(api.startRun(job));
        return (System.nanoTime() - begun) / 1e9;
    }
}
