package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;

/** A client whose types a common generator makes of the API's document compiles, and runs the script of docs/by-script.md. */
@ExtendWith(RunningServer.class)
class GeneratedClientTest {
    private static final Path UI = Path.of("../ui").toAbsolutePath().normalize();
    private static final long MOST_SECONDS = 120;

    @TempDir
    Path folder;

    @Test
    void runsTheScriptOfTheReadme() throws IOException, InterruptedException {
        Files.copy(UI.resolve("client/script.ts"), folder.resolve("script.ts"));
        Files.writeString(
                folder.resolve("tsconfig.json"),
                Files.readString(UI.resolve("client/tsconfig.json"))
                        .replace("../tsconfig.json", UI + "/tsconfig.json"));
        Files.createSymbolicLink(folder.resolve("node_modules"), UI.resolve("node_modules"));
        Files.writeString(folder.resolve("package.json"), "{\"type\": \"module\"}");
        run(UI + "/node_modules/.bin/openapi-typescript", UI + "/openapi.json", "-o", "schema.d.ts");
        run(UI + "/node_modules/.bin/tsc", "-p", ".");
        Path one = Files.write(folder.resolve("one.jpg"), TestPictures.drawn("jpg", 900, 600));
        Path two = Files.write(folder.resolve("two.jpg"), TestPictures.drawn("jpg", 600, 900));
        assertThat(run("node", "script.js", RunningServer.get().address(), one.toString(), two.toString())
                        .strip())
                .isEqualTo("2 checked, PK");
    }

    private String run(String... command) throws IOException, InterruptedException {
        Path said = folder.resolve("said.txt");
        Process process = new ProcessBuilder(List.of(command))
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        try {
            boolean isDone = process.waitFor(MOST_SECONDS, TimeUnit.SECONDS);
            String output = Files.readString(said, StandardCharsets.UTF_8);
            assertThat(isDone && process.exitValue() == 0)
                    .as(String.join(" ", command) + "\n" + output)
                    .isTrue();
            return output;
        } finally {
            process.destroy();
        }
    }
}
