package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.support.Together;
import embrick.testing.Sha256;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Files that several jobs refer to, while jobs come and go at the same moment. */
@ExtendWith(RunningServer.class)
class SharedOriginalsTest {
    private static final int ROUNDS = Boolean.getBoolean("embrick.thorough") ? 30 : 10;

    private final Api api = new Api(RunningServer.get().address());
    private final Path originals = RunningServer.get().storage().resolve("originals");

    private static byte[] picture(int number) {
        return TestPictures.drawn("png", 40 + number, 31, new Color(number % 256, 90, 7));
    }

    @Test
    void aPictureThatOneJobTakesInWhileAnotherIsDeletedIsKept() throws Exception {
        for (int round = 0; round < ROUNDS; round++) {
            byte[] shared = picture(round);
            String first = api.newJob("goes " + round);
            api.upload(first, "kite.png", shared);
            String second = api.newJob("stays " + round);
            List<Answer> answers = Together.all(
                    List.of(() -> api.delete("/jobs/" + first), () -> api.upload(second, "kite.png", shared)));
            assertThat(answers.get(1).status()).isEqualTo(200);
            JsonNode original = answers.get(1).body();
            assertThat(api.download("/originals/" + original.path("id").asString() + "/file"))
                    .as("round %d", round)
                    .isEqualTo(shared);
            api.delete("/jobs/" + second);
            assertThat(kept(shared)).doesNotExist();
        }
    }

    private Path kept(byte[] content) {
        String digest = Sha256.of(content);
        return originals.resolve(digest.substring(0, 2)).resolve(digest);
    }

    @Test
    void picturesDroppedAtOnceAllArriveAlsoEqualOnes() throws Exception {
        String job = api.newJob("at once");
        List<Callable<Answer>> uploads = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            byte[] content = picture(300 + i % 3);
            uploads.add(() -> api.upload(job, "kite.png", content));
        }
        assertThat(Together.all(uploads)).extracting(Answer::status).containsOnly(200);
        List<String> paths = new ArrayList<>();
        api.get("/jobs/" + job + "/originals")
                .body()
                .forEach(original -> paths.add(original.path("path").asString()));
        assertThat(paths).containsExactlyInAnyOrder("kite.png", "kite (2).png", "kite (3).png");
    }

    @Test
    void aJobThatIsDeletedWhilePicturesComeInLeavesNoFile() throws Exception {
        String job = api.newJob("deleted during intake");
        List<Callable<Answer>> work = new ArrayList<>();
        List<byte[]> contents = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            byte[] content = picture(400 + i);
            contents.add(content);
            String path = "kite" + i + ".png";
            work.add(() -> api.upload(job, path, content));
        }
        work.add(() -> api.delete("/jobs/" + job));
        assertThat(Together.all(work)).extracting(Answer::status).isSubsetOf(200, 204, 404);
        assertThat(contents).allSatisfy(content -> assertThat(kept(content)).doesNotExist());
    }

    @Test
    void aBrokenCopyThatWasReplacedLeavesNoFile() {
        String job = api.newJob("replaced");
        byte[] whole = picture(500);
        byte[] broken = TestPictures.cutShort(whole);
        api.upload(job, "kite.png", broken);
        assertThat(kept(broken)).exists();
        assertThat(api.upload(job, "kite.png", whole).body().path("state").asString())
                .isEqualTo("SOUND");
        assertThat(kept(broken)).doesNotExist();
        assertThat(kept(whole)).exists();
    }

    @Test
    void anUploadToAnUnknownJobIsRefusedAndNotKept() {
        byte[] content = picture(510);
        Answer answer = api.upload("00000000-0000-7000-8000-000000000000", "kite.png", content);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(kept(content)).doesNotExist();
    }

    /** Whatever the tests before did: each file has a row that refers to it. */
    @Test
    void everyFileBelongsToSomeJob() throws IOException {
        TreeSet<String> referred = new TreeSet<>();
        api.get("/jobs")
                .body()
                .forEach(job -> api.get("/jobs/" + job.path("id").asString() + "/originals")
                        .body()
                        .forEach(
                                original -> referred.add(original.path("digest").asString())));
        try (Stream<Path> files = Files.walk(originals)) {
            assertThat(files.filter(Files::isRegularFile)
                            .map(file -> file.getFileName().toString())
                            .filter(name -> !name.contains(".changed-")))
                    .allMatch(referred::contains);
        }
    }
}
