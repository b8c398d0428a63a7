package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.Formats;
import embrick.server.documents.StoredJson;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DecodeBudget;
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
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** A disk that is full after so many bytes: the piece says so, nothing half-written stays, and it can be tried again. */
@ExtendWith(RunningServer.class)
class FullDiskTest {
    private static final int ROOM = 20_000;

    private final Api api = new Api(RunningServer.get().address());
    private final ApplicationContext context = RunningServer.get().context();
    private final Storage storage = context.getBean(Storage.class);

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

    @Test
    void thePieceSaysSoAndNothingHalfWrittenStays() throws IOException {
        String job = api.newJob("full disk");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 320, 200));
        String ticket = api.firstTicket(job).path("id").asString();
        PieceRepository pieces = context.getBean(PieceRepository.class);
        TransactionTemplate transaction = context.getBean(TransactionTemplate.class);
        JsonNode run = api.finished(api.post("/tickets/" + ticket + "/runs", Map.of())
                .body()
                .path("id")
                .asString());
        UUID piece = UUID.fromString(run.path("pieces").get(0).path("id").asString());
        Path folder = storage.delivery(run.path("run").path("folder").asString());
        // Made once already; as if it had been taken away, it is to be made again, now with the disk full.
        Files.delete(folder.resolve("kite_8x10in.jpg"));
        transaction.executeWithoutResult(_ -> pieces.lock(piece)
                .orElseThrow()
                .isIn(State.WAITING, Clock.systemUTC().instant()));

        new PieceMaker(
                        context.getBean(RunRepository.class),
                        pieces,
                        context.getBean(OriginalRepository.class),
                        new FullDisk(storage),
                        storage,
                        context.getBean(Formats.class),
                        context.getBean(DecodeBudget.class),
                        context.getBean(StoredJson.class),
                        context.getBean(LiveProgress.class),
                        transaction,
                        Clock.systemUTC())
                .make(piece);

        String runId = run.path("run").path("id").asString();
        JsonNode trouble = api.get("/runs/" + runId).body().path("pieces").get(0);
        assertThat(trouble.path("state").asString()).isEqualTo("TROUBLE");
        assertThat(trouble.path("trouble").path("text").asString())
                .contains("kite.jpg")
                .contains("No space left on device");
        assertThat(folder.resolve("kite_8x10in.jpg")).doesNotExist();
        try (Stream<Path> making = Files.list(storage.making())) {
            assertThat(making).isEmpty();
        }

        api.post("/runs/" + runId + "/retry", Map.of());
        assertThat(api.finished(runId).path("pieces").get(0).path("state").asString())
                .isEqualTo("CHECKED");
        assertThat(folder.resolve("kite_8x10in.jpg")).exists();
    }
}
