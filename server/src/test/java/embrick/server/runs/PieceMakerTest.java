package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.Retagging;
import embrick.formats.binding.UnfitMachineException;
import embrick.server.backgrounds.Backgrounds;
import embrick.server.documents.StoredJson;
import embrick.server.originals.OriginalRepository;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.Fingerprints;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.workers.LiveProgress;
import embrick.server.workers.ProcessEnds;
import embrick.server.workers.ProcessId;
import embrick.server.workers.StageTimes;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Pieces made when things go wrong: a full disk, two workers at one piece. */
@ExtendWith(RunningServer.class)
class PieceMakerTest {
    private static final int ROOM = 20_000;

    private final Api api = new Api(RunningServer.get().address());
    private final ApplicationContext context = RunningServer.get().context();
    private final Storage storage = context.getBean(Storage.class);
    private final PieceRepository pieces = context.getBean(PieceRepository.class);
    private final JdbcClient database = context.getBean(JdbcClient.class);
    private final TransactionTemplate transaction = context.getBean(TransactionTemplate.class);

    /** Files on a disk with little room. */
    private static final class FullDisk extends PieceFiles {
        FullDisk(Storage storage) {
            super(storage, new Fingerprints());
        }

        @Override
        NewFile create(Path temporary) throws IOException {
            NewFile whole = super.create(temporary);
            OutputStream limited = new FilterOutputStream(whole.stream()) {
                private int written;

                @Override
                public void write(int value) throws IOException {
                    if (++written > ROOM) {
                        throw new IOException("No space left on device");
                    }
                    out.write(value);
                }
            };
            return new NewFile() {
                @Override
                public OutputStream stream() {
                    return limited;
                }

                @Override
                public void writeAt(long offset, byte[] bytes) throws IOException {
                    whole.writeAt(offset, bytes);
                }

                @Override
                public void close() throws IOException {
                    whole.close();
                }
            };
        }
    }

    /** A piece that was made once and is to be made again, as if its file had been deleted. */
    private record Again(String runId, UUID piece, Path folder) {}

    private Again pieceToMake(String name) throws IOException {
        String job = api.newJob(name);
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 320, 200));
        JsonNode run = api.finished(api.startRun(job));
        UUID piece = UUID.fromString(run.path("pieces").get(0).path("id").asString());
        Path folder =
                storage.deliveries().resolve(run.path("run").path("folder").asString());
        Files.delete(folder.resolve("kite_8x10in.jpg"));
        String runId = run.path("run").path("id").asString();
        setWaiting(piece);
        return new Again(runId, piece, folder);
    }

    /** In line again, its run open, and in the queue as if a worker of the test had picked it: no other takes it. */
    private void setWaiting(UUID piece) {
        transaction.executeWithoutResult(_ -> {
            RunRepository runs = context.getBean(RunRepository.class);
            Piece waiting = pieces.lock(piece).orElseThrow();
            waiting.await(Clock.systemUTC().instant());
            runs.lock(waiting.runId()).orElseThrow().resume(Clock.systemUTC().instant(), 0);
            database.sql("delete from scheduled_tasks where task_instance = :piece")
                    .param("piece", piece.toString())
                    .update();
            database.sql("insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by,"
                            + " last_heartbeat, version) values ('piece', :piece, now(), true, 'test', now(), 1)")
                    .param("piece", piece.toString())
                    .update();
        });
    }

    /** As if the test's worker had ended: what it picked is in nobody's hands. */
    private void letGo(UUID piece) {
        database.sql("delete from scheduled_tasks where task_instance = :piece")
                .param("piece", piece.toString())
                .update();
    }

    private PieceMaker maker(PieceFiles files) {
        return maker(files, new ProcessId());
    }

    private PieceMaker maker(PieceFiles files, ProcessId process) {
        AttemptStart start = new AttemptStart(
                context.getBean(RunRepository.class),
                pieces,
                context.getBean(OriginalRepository.class),
                context.getBean(DeliveryFolders.class),
                context.getBean(StoredJson.class),
                process,
                context.getBean(ProcessEnds.class),
                Clock.systemUTC());
        Attempts attempts =
                new Attempts(context.getBean(RunRepository.class), pieces, start, transaction, Clock.systemUTC());
        PieceWriter writer = new PieceWriter(
                attempts,
                files,
                context.getBean(Formats.class),
                context.getBean(Prints.class),
                context.getBean(Retagging.class),
                context.getBean(OriginalFiles.class),
                context.getBean(Pictures.class),
                context.getBean(LiveProgress.class),
                context.getBean(StageTimes.class),
                context.getBean(Backgrounds.class));
        return new PieceMaker(
                attempts,
                writer,
                files,
                context.getBean(DeliveryFolders.class),
                context.getBean(Pauses.class),
                context.getBean(LiveProgress.class),
                context.getBean(StageTimes.class));
    }

    private JsonNode state(Again again) {
        return api.get("/runs/" + again.runId()).body().path("pieces").get(0);
    }

    /** By the server's own worker. */
    private void assertMadeInTheEnd(Again again) {
        JsonNode piece = api.finished(again.runId()).path("pieces").get(0);
        assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
    }

    private void assertNothingTemporaryIsLeft() throws IOException {
        try (Stream<Path> making = Files.list(storage.making())) {
            assertThat(making).isEmpty();
        }
    }

    /** The reason is the run's, once, and it goes on by itself: the real disk has room. */
    @Test
    void aFullDiskHoldsTheRunUpUntilThereIsRoom() throws IOException {
        Again again = pieceToMake("full disk");
        maker(new FullDisk(storage)).make(again.piece(), 0);

        JsonNode run = api.get("/runs/" + again.runId()).body();
        assertThat(run.path("run").path("state").asString()).isEqualTo("PAUSED");
        assertThat(run.path("run").path("pause").path("code").asString()).isEqualTo("disk-full");
        assertThat(run.path("run").path("pause").path("remedy").asString()).contains("resumes automatically");
        assertThat(run.path("pieces").get(0).path("state").asString()).isEqualTo("WAITING");
        assertThat(again.folder().resolve("kite_8x10in.jpg")).doesNotExist();
        assertNothingTemporaryIsLeft();

        letGo(again.piece());
        assertMadeInTheEnd(again);
        assertThat(again.folder().resolve("kite_8x10in.jpg")).exists();
    }

    /** What the database does while a piece is made is not the piece's fault. */
    @Test
    void aDatabaseThatFailsLeavesThePieceToTheQueue() throws IOException {
        Again again = pieceToMake("database away");
        PieceFiles failing = new PieceFiles(storage, new Fingerprints()) {
            @Override
            NewFile create(Path temporary) {
                // What Spring makes of a connection that broke: seen when PostgreSQL was killed.
                throw new JpaSystemException(new org.hibernate.TransactionException(
                        "Unable to rollback against JDBC Connection", new SQLException("broken", "08006")));
            }
        };
        PieceMaker maker = maker(failing);
        assertThatThrownBy(() -> maker.make(again.piece(), 0)).isInstanceOf(TryLaterException.class);
        assertThat(state(again).path("state").asString()).isEqualTo("MAKING");
        assertNothingTemporaryIsLeft();

        // Nobody has it in the queue: it is found and made.
        letGo(again.piece());
        assertMadeInTheEnd(again);
    }

    /** A library that is missing on one machine: others are given a chance, then it is said. */
    @Test
    void aMachineThatCannotMakeItIsSaid() throws IOException {
        Again again = pieceToMake("unfit");
        PieceFiles failing = new PieceFiles(storage, new Fingerprints()) {
            @Override
            NewFile create(Path temporary) {
                throw new ExceptionInInitializerError(
                        new UnfitMachineException("libheif.so.1 is not on this machine: install libheif1"));
            }
        };
        PieceMaker maker = maker(failing);
        assertThatThrownBy(() -> maker.make(again.piece(), 0)).isInstanceOf(TryLaterException.class);
        setWaiting(again.piece());
        maker.make(again.piece(), 9);
        JsonNode piece = state(again);
        assertThat(piece.path("problem").path("code").asString()).isEqualTo("machine-unfit");
        assertThat(piece.path("problem").path("text").asString()).contains("libheif1");
    }

    /** Errors that are no exceptions end a piece with a reason too. */
    @Test
    void anErrorOfTheVirtualMachineIsNotSilent() throws IOException {
        Again again = pieceToMake("error");
        PieceFiles failing = new PieceFiles(storage, new Fingerprints()) {
            @Override
            NewFile create(Path temporary) {
                throw new StackOverflowError();
            }
        };
        maker(failing).make(again.piece(), 0);
        assertThat(state(again).path("problem").path("code").asString()).isEqualTo("unexpected");
        assertThat(api.post("/runs/" + again.runId() + "/retry", Map.of()).status())
                .isEqualTo(200);
        assertMadeInTheEnd(again);
    }

    /** An attempt that another has overtaken changes nothing, not even what was noted of the file. */
    @Test
    void anOvertakenAttemptNotesNothing() throws IOException {
        Again again = pieceToMake("overtaken");
        PieceFiles overtaking = new PieceFiles(storage, new Fingerprints()) {
            @Override
            NewFile create(Path temporary) throws IOException {
                transaction.executeWithoutResult(_ -> pieces.lock(again.piece())
                        .orElseThrow()
                        .begin(UUID.randomUUID(), 0, Clock.systemUTC().instant()));
                return super.create(temporary);
            }
        };
        maker(overtaking).make(again.piece(), 0);
        assertThat(state(again).path("state").asString()).isEqualTo("MAKING");
        assertThat(state(again).path("digest").isNull()).isTrue();
        assertNothingTemporaryIsLeft();
    }

    /** A picture that ends its process is not made again without end. */
    @Test
    void aPieceWhoseProcessesEndIsSetAside() throws IOException {
        Again again = pieceToMake("set aside");
        PieceFiles dying = dying();
        for (int process = 0; process < 3; process++) {
            PieceMaker maker = maker(dying);
            assertThatThrownBy(() -> maker.make(again.piece(), 0)).isInstanceOf(TryLaterException.class);
            assertThat(state(again).path("state").asString()).isEqualTo("MAKING");
        }
        maker(dying).make(again.piece(), 0);
        JsonNode piece = state(again);
        assertThat(piece.path("problem").path("code").asString()).isEqualTo("set-aside");
        assertThat(piece.path("problem").path("text").asString()).startsWith("kite.jpg was set aside");

        // Somebody's new try begins to count anew.
        letGo(again.piece());
        api.post("/runs/" + again.runId() + "/retry", Map.of());
        assertMadeInTheEnd(again);
    }

    /** What a hundred kills do to one piece, and what three crashes do. */
    @ParameterizedTest
    @CsvSource({"137, 11", "143, 11", "'', 11", "139, 2", "134, 2", "3, 2"})
    void aKillIsNotHeldAgainstAPieceAsACrashIs(String endedWith, int withstood) throws IOException {
        Again again = pieceToMake("ended with " + endedWith);
        ProcessEnds ends = new ProcessEnds(context.getBean(JdbcClient.class), Clock.systemUTC(), endedWith);
        String name = "worker of " + again.piece();
        for (int end = 0; end <= withstood; end++) {
            ProcessId process = new ProcessId();
            ends.begin(process.get(), name);
            PieceMaker maker = maker(dying(), process);
            assertThatThrownBy(() -> maker.make(again.piece(), 0)).isInstanceOf(TryLaterException.class);
        }
        ends.begin(UUID.randomUUID(), name);
        maker(dying()).make(again.piece(), 0);
        assertThat(state(again).path("problem").path("code").asString()).isEqualTo("set-aside");
        letGo(again.piece());
    }

    private PieceFiles dying() {
        return new PieceFiles(storage, new Fingerprints()) {
            @Override
            NewFile create(Path temporary) {
                // From here on as if the process had ended: the piece stays as it is.
                throw new JpaSystemException(new org.hibernate.TransactionException("gone"));
            }
        };
    }

    /** A worker may be taken for dead and go on all the same: whoever is last, the piece is whole and published once. */
    @Test
    void twoWorkersAtOnePieceDoNoHarm() throws Exception {
        Again again = pieceToMake("two workers");
        PieceFiles files = new PieceFiles(storage, new Fingerprints());
        for (int round = 0; round < 5; round++) {
            Files.deleteIfExists(again.folder().resolve("kite_8x10in.jpg"));
            setWaiting(again.piece());
            try (ExecutorService workers = Executors.newFixedThreadPool(2)) {
                Callable<Void> work = () -> {
                    maker(files).make(again.piece(), 0);
                    return null;
                };
                for (Future<Void> one : workers.invokeAll(List.of(work, work))) {
                    one.get();
                }
            }
            JsonNode piece = state(again);
            assertThat(piece.path("state").asString())
                    .as("round %d: %s", round, piece)
                    .isEqualTo("CHECKED");
            try (Stream<Path> delivered = Files.list(again.folder())) {
                assertThat(delivered).hasSize(1);
            }
            assertThat(Storage.digestOf(again.folder().resolve("kite_8x10in.jpg")))
                    .isEqualTo(piece.path("digest").asString());
            assertNothingTemporaryIsLeft();
        }
    }

    @Test
    void anotherFileUnderTheNameIsNeverReplaced() throws IOException {
        Again again = pieceToMake("taken");
        Path foreign = Files.writeString(again.folder().resolve("kite_8x10in.jpg"), "somebody's");
        maker(new PieceFiles(storage, new Fingerprints())).make(again.piece(), 0);
        assertThat(state(again).path("problem").path("code").asString()).isEqualTo("name-taken");
        assertThat(foreign).hasContent("somebody's");
        assertNothingTemporaryIsLeft();
    }
}
