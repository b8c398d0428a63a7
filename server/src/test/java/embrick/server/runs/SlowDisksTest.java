package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.originals.OriginalRepository;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.Fingerprints;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import org.springframework.transaction.support.TransactionTemplate;

/** While a disk takes its time, everything else of the job answers. A request that waited for it would end the test. */
@ExtendWith(RunningServer.class)
@Timeout(value = 2, unit = TimeUnit.MINUTES, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
class SlowDisksTest {
    private final Api api = new Api(RunningServer.get().address());
    private final ApplicationContext context = RunningServer.get().context();
    private final TransactionTemplate transaction = context.getBean(TransactionTemplate.class);
    private String job;

    @BeforeEach
    void aJob() {
        job = api.newJob("slow disk");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 300, 200));
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
    }

    /** Answers only when it is let. */
    private static final class SlowFiles extends DeliveredFiles {
        private final CountDownLatch asked = new CountDownLatch(1);
        private final CountDownLatch answers = new CountDownLatch(1);

        SlowFiles(ApplicationContext context) {
            super(context.getBean(DeliveryFolders.class), context.getBean(Fingerprints.class));
        }

        @Override
        public Optional<OnDisk> look(PieceRow piece) {
            asked.countDown();
            try {
                answers.await();
            } catch (InterruptedException ended) {
                Thread.currentThread().interrupt();
            }
            return super.look(piece);
        }
    }

    private RunRemoval removal(DeliveredFiles files) {
        return new RunRemoval(
                context.getBean(RunRepository.class),
                context.getBean(PieceRepository.class),
                context.getBean(RunOrderRepository.class),
                files,
                context.getBean(DeliveryFolders.class),
                context.getBean(RunUses.class),
                context.getBean(RunsBeingDeleted.class),
                transaction,
                context.getBean(Clock.class));
    }

    @Test
    void filesOfARunAreDeletedWithNothingLocked() throws Exception {
        String id = api.startRun(job);
        api.finished(id);
        SlowFiles files = new SlowFiles(context);
        try (ExecutorService threads = Executors.newSingleThreadExecutor()) {
            Future<?> removed =
                    threads.submit(() -> removal(files).remove(UUID.fromString(id), RunRemoval.FilesThen.DELETED));
            try {
                files.asked.await();
                assertThat(api.get("/runs/" + id).status()).isEqualTo(200);
                assertThat(api.post("/runs/" + id + "/retry", Map.of()).code()).isEqualTo("run-being-deleted");
                assertThat(api.delete("/runs/" + id + "?files=DELETED").code()).isEqualTo("run-being-deleted");
                everythingElseAnswers();
            } finally {
                files.answers.countDown();
            }
            removed.get();
        }
        assertThat(api.get("/runs/" + id).status()).isEqualTo(404);
    }

    /** What fails in between gives the run free again. */
    @Test
    void aRunWhoseFilesCannotBeDeletedStaysAsItWas() throws Exception {
        String id = api.startRun(job);
        api.finished(id);
        DeliveredFiles failing =
                new DeliveredFiles(context.getBean(DeliveryFolders.class), context.getBean(Fingerprints.class)) {
                    @Override
                    public Optional<OnDisk> look(PieceRow piece) {
                        throw new IllegalStateException("the disk is gone");
                    }
                };
        CompletableFuture<Void> removed = CompletableFuture.runAsync(
                () -> removal(failing).remove(UUID.fromString(id), RunRemoval.FilesThen.DELETED));
        assertThat(removed).failsWithin(java.time.Duration.ofMinutes(1));
        assertThat(api.post("/runs/" + id + "/retry", Map.of()).status()).isEqualTo(200);
        assertThat(api.delete("/runs/" + id + "?files=DELETED").status()).isEqualTo(204);
    }

    /** As {@code OriginalFiling} holds the job while it moves a picture to its place. */
    @Test
    void aPictureIsFiledWithTheJobStillInUse() {
        transaction.executeWithoutResult(_ -> {
            assertThat(context.getBean(OriginalRepository.class).lockJob(UUID.fromString(job)))
                    .isPresent();
            everythingElseAnswers();
        });
    }

    private void everythingElseAnswers() {
        String original = api.original(job, "kite.jpg");
        assertThat(api.get("/jobs/" + job + "/originals").body()).hasSize(1);
        assertThat(api.post(
                                "/jobs/" + job + "/edits",
                                Map.of(
                                        "words",
                                        "framed",
                                        "framings",
                                        List.of(Map.of(
                                                "originalId",
                                                original,
                                                "shapeKey",
                                                "4:5",
                                                "version",
                                                -1,
                                                "document",
                                                Api.framing(0.5, 1.2),
                                                "accepted",
                                                true)),
                                        "overrides",
                                        List.of()))
                        .status())
                .isEqualTo(200);
        api.changeFirstTicket(job, document -> document.put("ppi", 30));
        api.finished(api.startRun(job));
    }
}
