package embrick.testing;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** An exiftool that stays open: loading it anew for each question takes ten times as long as its answer. */
final class OpenExifTool {
    private static OpenExifTool open;

    private final Process process;
    private final Writer questions;
    private final BufferedReader answers;

    private OpenExifTool() throws IOException {
        process = new ProcessBuilder("exiftool", "-stay_open", "True", "-@", "-")
                .redirectErrorStream(true)
                .start();
        Runtime.getRuntime().addShutdownHook(new Thread(process::destroy));
        questions = new OutputStreamWriter(process.getOutputStream(), StandardCharsets.UTF_8);
        answers = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
    }

    /** What exiftool says when it is called with these arguments. */
    static synchronized String said(List<String> arguments) {
        try {
            if (open == null) {
                open = new OpenExifTool();
            }
            return open.ask(arguments);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private String ask(List<String> arguments) throws IOException {
        for (String argument : arguments) {
            questions.write(argument + "\n");
        }
        questions.write("-execute\n");
        questions.flush();
        StringBuilder answer = new StringBuilder();
        for (String line = answers.readLine(); !"{ready}".equals(line); line = answers.readLine()) {
            if (line == null) {
                throw new AssertionError("exiftool ended: " + answer);
            }
            answer.append(line).append('\n');
        }
        return answer.toString();
    }
}
