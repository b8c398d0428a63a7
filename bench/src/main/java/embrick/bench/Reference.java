package embrick.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The same works by libraries that are not ours: Pillow and OpenCV (Debian python3-pil, python3-opencv) and libvips (npm sharp). */
enum Reference {
    PILLOW("Pillow", "/usr/bin/python3", "measure.py"),
    LIBVIPS("libvips", "node", "measure.mjs"),
    OPENCV("OpenCV", "/usr/bin/python3", "learned.py");

    private final String title;
    private final String runtime;
    private final String script;

    Reference(String title, String runtime, String script) {
        this.title = title;
        this.runtime = runtime;
        this.script = script;
    }

    String title() {
        return title;
    }

    static Path folder() {
        return Path.of("bench/reference").toAbsolutePath();
    }

    List<Measured> measure(String work, int repeats, Pictures pictures) throws IOException, InterruptedException {
        return Measured.parse(Processes.run(List.of(
                runtime,
                folder().resolve(script).toString(),
                work,
                "" + repeats,
                (work.equals("small") ? pictures.small() : pictures.original()).toString(),
                pictures.profile().toString(),
                pictures.piece().toString())));
    }

    /** A folder by Pillow in two processes: processor and wall seconds. */
    static double[] folder(Path out, List<Path> originals) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of(PILLOW.runtime, folder().resolve("folder.py").toString(), out.toString(), "1"));
        originals.forEach(original -> command.add(original.toString()));
        Measured once = Measured.parse(Processes.run(command)).getFirst();
        return new double[] {once.cpuSeconds(), once.wallSeconds()};
    }

    /** Draws a folder of many kinds and sizes from photographs. */
    static List<Path> mixed(Path out, List<Path> photographs) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                PILLOW.runtime,
                folder().resolve("mixed.py").toString(),
                out.toString(),
                Path.of("formats/src/main/resources/embrick/formats/icc/papers/lustre-cmyk.icc")
                        .toAbsolutePath()
                        .toString()));
        photographs.forEach(photograph -> command.add(photograph.toString()));
        return Processes.run(command).lines().map(Path::of).toList();
    }
}
