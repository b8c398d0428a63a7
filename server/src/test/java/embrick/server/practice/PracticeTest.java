package embrick.server.practice;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.storage.DecodeWatch;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(RunningServer.class)
class PracticeTest {
    private final Practice practice = RunningServer.get().context().getBean(Practice.class);
    private final Path scratch =
            RunningServer.get().context().getBean(DecodeWatch.class).scratch();

    @Test
    void practisesLeavingNothing() throws Exception {
        AtomicInteger asked = new AtomicInteger();
        practice.practise(1, () -> asked.incrementAndGet() > 0);
        assertThat(asked.get()).isGreaterThan(1);
        assertThat(filesOfPractice()).isZero();
    }

    @Test
    void givesWayAtOnce() throws Exception {
        AtomicInteger asked = new AtomicInteger();
        practice.practise(100, () -> asked.incrementAndGet() > 100);
        assertThat(asked.get()).isEqualTo(1);
        assertThat(filesOfPractice()).isZero();
    }

    @Test
    void rehearsesAWholeJob() throws Exception {
        String address = RunningServer.get().address();
        Path picture = practice.draw();
        try {
            new WholeJob(URI.create(address).getPort(), 2, 1).goThrough(picture);
        } finally {
            Files.delete(picture);
        }
        var rehearsed = new Api(address)
                .get("/jobs")
                .body()
                .valueStream()
                .filter(job -> job.path("name").asString().equals("rehearsal"))
                .findFirst()
                .orElseThrow();
        assertThat(rehearsed.path("pictures").asInt()).isEqualTo(2);
        assertThat(rehearsed.path("unusable").asInt()).isZero();
    }

    private long filesOfPractice() throws Exception {
        try (Stream<Path> files = Files.list(scratch)) {
            return files.filter(file -> file.getFileName().toString().startsWith("practice"))
                    .count();
        }
    }
}
