package embrick.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Tools that are not ours: exiftool and Pillow from Debian. */
final class Outside {
    private Outside() {}

    /** {@code name WIDTHxHEIGHT ppi profile}, as exiftool says it. */
    static String identify(Path file) {
        return run(List.of(
                        "exiftool",
                        "-p",
                        "$FileName ${ImageWidth}x${ImageHeight} $XResolution $ProfileDescription",
                        file.toString()))
                .strip();
    }

    static String run(List<String> command) {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            process.getOutputStream().close();
            String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (!process.waitFor(3, TimeUnit.MINUTES) || process.exitValue() != 0) {
                throw new AssertionError(command.getFirst() + " failed: " + output);
            }
            return output;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    static String python(String program, Object... arguments) {
        List<String> command = new ArrayList<>(List.of("/usr/bin/python3", "-c", program));
        for (Object argument : arguments) {
            command.add(argument.toString());
        }
        return run(command);
    }
}
