package embrick.server.measures;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The page of figures, as Prometheus reads it: its text format, version 0.0.4. */
@ExtendWith(RunningServer.class)
class MeasuresTest {
    private static final Pattern LINE =
            Pattern.compile("(# (HELP|TYPE) [a-z0-9_]+ .*)|([a-z][a-z0-9_]*(\\{.*\\})? [-+0-9.eENaInf]+)");

    private final Api api = new Api(RunningServer.get().address());

    private static String page() {
        try (HttpClient client = HttpClient.newHttpClient()) {
            return client.send(
                            HttpRequest.newBuilder(
                                            URI.create(RunningServer.get().address() + "/actuator/prometheus"))
                                    .build(),
                            BodyHandlers.ofString())
                    .body();
        } catch (IOException failed) {
            throw new IllegalStateException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    /** A figure's value; NaN where it is not on the page. */
    private static double value(String page, String name) {
        Matcher line = Pattern.compile("^" + Pattern.quote(name) + " (\\S+)$", Pattern.MULTILINE)
                .matcher(page);
        return line.find() ? Double.parseDouble(line.group(1)) : Double.NaN;
    }

    private static double times(String page, String stage) {
        return value(page, "embrick_piece_stage_times_total{stage=\"" + stage + "\",worker=\"application\"}");
    }

    @Test
    void eachStageOfAPieceIsTimed() {
        double told = times(page(), "publish");
        // Not on the page yet where this is the first that asks.
        double before = Double.isNaN(told) ? 0 : told;
        String job = api.newJob("Measured");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 100));
        api.finished(api.startRun(job));
        String after = Await.until(
                "three more published pieces in the figures",
                MeasuresTest::page,
                page -> times(page, "publish") >= before + 3);
        for (String stage : List.of("read", "make", "check", "publish")) {
            assertThat(times(after, stage)).as(stage).isGreaterThanOrEqualTo(3);
            assertThat(value(
                            after, "embrick_piece_stage_seconds_total{stage=\"" + stage + "\",worker=\"application\"}"))
                    .as(stage)
                    .isPositive();
        }
    }

    @Test
    void queueWorkersMemoryAndDiskAreTold() {
        String page = Await.until(
                "an idle worker and an empty queue",
                MeasuresTest::page,
                now -> value(now, "embrick_workers{state=\"idle\"}") >= 1 && value(now, "embrick_pieces_waiting") == 0);
        assertThat(value(page, "embrick_pieces_making")).isZero();
        assertThat(value(page, "embrick_runs_paused")).isNotNegative();
        assertThat(value(page, "embrick_storage_free_bytes")).isGreaterThan(1e6);
        assertThat(value(page, "embrick_picture_memory_budget_bytes"))
                .isGreaterThanOrEqualTo(value(page, "embrick_picture_memory_taken_bytes"));
        assertThat(page.lines()).allSatisfy(line -> assertThat(line).matches(LINE));
    }
}
