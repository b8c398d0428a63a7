package embrick.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Runs a measuring process and gives what it printed. */
public final class Processes {
    private Processes() {}

    public static String run(List<String> command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        process.getOutputStream().close();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (process.waitFor() != 0) {
            throw new IOException(command.getFirst() + " failed: " + output);
        }
        return output;
    }
}
