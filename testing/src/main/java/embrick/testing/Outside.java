package embrick.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * Tools that are not ours, by which files are confirmed: Pillow (Debian python3-pil), exiftool
 * (libimage-exiftool-perl), transicc (liblcms2-utils), pngtopam and pamtotiff (netpbm), tiffcp (libtiff-tools), heif-enc and
 * heif-convert (libheif-examples), pdfinfo, pdfimages and pdftoppm (poppler-utils), qpdf.
 */
public final class Outside {
    private Outside() {}

    /** Runs a Python program with Debian's Pillow; its arguments are {@code sys.argv[1:]}. */
    public static String python(String program, Object... arguments) {
        List<String> command = new ArrayList<>(List.of("/usr/bin/python3", "-c", program));
        Arrays.stream(arguments).map(Object::toString).forEach(command::add);
        return answer("", command);
    }

    /** One tag a line, {@code name: value}, numbers as stored. */
    public static String exiftool(Path file, String... tags) {
        List<String> arguments = new ArrayList<>(List.of("-n", "-s", "-G1", "-a"));
        for (String tag : tags) {
            arguments.add("-" + tag);
        }
        arguments.add(file.toString());
        return OpenExifTool.said(arguments).replaceAll("[ ]+", " ");
    }

    /** {@code name WIDTHxHEIGHT ppi profile}, as exiftool says it. */
    public static String identify(Path file) {
        String said = "$FileName ${ImageWidth}x${ImageHeight} $XResolution $ProfileDescription";
        return OpenExifTool.said(List.of("-p", said, file.toString())).strip();
    }

    public static String transicc(String input, String... arguments) {
        List<String> command = new ArrayList<>(List.of("transicc"));
        command.addAll(List.of(arguments));
        // Its banner goes to the other stream.
        command.addAll(0, List.of("sh", "-c", "exec \"$@\" 2>/dev/null", "sh"));
        return answer(input, command);
    }

    /** Runs a line of shell with the tools of netpbm, libjpeg-turbo-progs, libtiff-tools and libheif-examples. */
    public static String shell(String line, Object... arguments) {
        List<String> command = new ArrayList<>(List.of("sh", "-ec", line, "sh"));
        Arrays.stream(arguments).map(Object::toString).forEach(command::add);
        return answer("", command);
    }

    public static String run(List<String> command) {
        return answer("", command);
    }

    public static String run(String... command) {
        return answer("", List.of(command));
    }

    private static String answer(String input, List<String> command) {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            try (var stdin = process.getOutputStream()) {
                stdin.write(input.getBytes(StandardCharsets.UTF_8));
            }
            String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (!process.waitFor(2, TimeUnit.MINUTES) || process.exitValue() != 0) {
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
}
