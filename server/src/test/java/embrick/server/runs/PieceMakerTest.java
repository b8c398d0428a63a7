package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.Formats;
import embrick.server.documents.StoredJson;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DecodedOriginals;
import embrick.server.storage.Storage;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
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
import org.springframework.context.ApplicationContext;
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
    private final TransactionTemplate transaction = context.getBean(TransactionTemplate.class);

    /** Files on a disk with little room. */
    private static final class FullDisk extends PieceFiles {
        FullDisk(Storage storage) {
            super(storage);
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

    /** A piece that was made once and is to be made again, as if its file had been taken away. */
    private record Again(String runId, UUID piece, Path folder) {}

    private Again pieceToMake(String name) throws IOException {
        String job = api.newJob(name);
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 320, 200));
        JsonNode run = api.finished(api.startRun(job));
        UUID piece = UUID.fromString(run.path("pieces").get(0).path("id").asString());
        Path folder = storage.delivery(run.path("run").path("folder").asString());
        Files.delete(folder.resolve("kite_8x10in.jpg"));
        setWaiting(piece);
        return new Again(run.path("run").path("id").asString(), piece, folder);
    }

    private void setWaiting(UUID piece) {
        transaction.executeWithoutResult(_ -> pieces.lock(piece)
                .orElseThrow()
                .isIn(State.WAITING, Clock.systemUTC().instant()));
    }

    private PieceMaker maker(PieceFiles files) {
        return new PieceMaker(
                context.getBean(RunRepository.class),
                pieces,
                context.getBean(OriginalRepository.class),
                files,
                storage,
                context.getBean(Formats.class),
                context.getBean(DecodedOriginals.class),
                context.getBean(StoredJson.class),
                context.getBean(LiveProgress.class),
                transaction,
                Clock.systemUTC());
    }

    private JsonNode state(Again again) {
        return api.get("/runs/" + again.runId()).body().path("pieces").get(0);
    }

    private void assertNothingTemporaryIsLeft() throws IOException {
        try (Stream<Path> making = Files.list(storage.making())) {
            assertThat(making).isEmpty();
        }
    }

    @Test
    void aFullDiskIsSaidAndNothingHalfWrittenStays() throws IOException {
        Again again = pieceToMake("full disk");
        maker(new FullDisk(storage)).make(again.piece());

        JsonNode trouble = state(again);
        assertThat(trouble.path("state").asString()).isEqualTo("TROUBLE");
        assertThat(trouble.path("trouble").path("text").asString())
                .contains("kite.jpg")
                .contains("No space left on device");
        assertThat(again.folder().resolve("kite_8x10in.jpg")).doesNotExist();
        assertNothingTemporaryIsLeft();

        api.post("/runs/" + again.runId() + "/retry", Map.of());
        assertThat(api.finished(again.runId())
                        .path("pieces")
                        .get(0)
                        .path("state")
                        .asString())
                .isEqualTo("CHECKED");
        assertThat(again.folder().resolve("kite_8x10in.jpg")).exists();
    }

    /** A worker may be taken for dead and go on all the same: whoever is last, the piece is whole and published once. */
    @Test
    void twoWorkersAtOnePieceDoNoHarm() throws Exception {
        Again again = pieceToMake("two workers");
        PieceFiles files = new PieceFiles(storage);
        for (int round = 0; round < 5; round++) {
            Files.deleteIfExists(again.folder().resolve("kite_8x10in.jpg"));
            setWaiting(again.piece());
            try (ExecutorService workers = Executors.newFixedThreadPool(2)) {
                Callable<Void> work = () -> {
                    maker(files).make(again.piece());
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
        maker(new PieceFiles(storage)).make(again.piece());
        assertThat(state(again).path("trouble").path("code").asString()).isEqualTo("name-taken");
        assertThat(foreign).hasContent("somebody's");
        assertNothingTemporaryIsLeft();
    }
}
