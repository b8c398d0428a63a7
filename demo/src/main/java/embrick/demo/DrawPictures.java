package embrick.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Draws the sample pictures into a folder, once; those that are there are kept. */
public final class DrawPictures {
    private DrawPictures() {}

    /**
     * @param arguments the folder
     */
    public static void main(String[] arguments) throws IOException, InterruptedException, ExecutionException {
        int drawn = into(Path.of(arguments[0])) + albumInto(Path.of(arguments[0]));
        if (drawn > 0) {
            System.out.println("embrick: drew " + drawn + " sample pictures");
        }
    }

    /** The folder of the second job's pictures, beside that of the first. */
    static Path album(Path folder) {
        return folder.resolveSibling(folder.getFileName() + "-album");
    }

    /** Returns how many had to be drawn. */
    public static int into(Path folder) throws IOException, InterruptedException, ExecutionException {
        return drawn(Cast.all(), folder);
    }

    /** Draws one picture of each kind of those of the first job; returns how many had to be drawn. */
    public static int oneOfEachInto(Path folder) throws IOException, InterruptedException, ExecutionException {
        return drawn(Cast.oneOfEach(), folder);
    }

    /** Draws the pictures of the second job; returns how many had to be drawn. */
    public static int albumInto(Path folder) throws IOException, InterruptedException, ExecutionException {
        return drawn(Album.all(), album(folder));
    }

    private static int drawn(List<Cast.Member> members, Path folder)
            throws IOException, InterruptedException, ExecutionException {
        List<Future<?>> drawing = new ArrayList<>();
        try (ExecutorService threads =
                Executors.newFixedThreadPool(Math.max(2, Runtime.getRuntime().availableProcessors()))) {
            for (Cast.Member member : members) {
                Path file = folder.resolve(member.path());
                Files.createDirectories(file.getParent());
                if (!Files.exists(file)) {
                    drawing.add(threads.submit(() -> {
                        draw(member, file);
                        return null;
                    }));
                }
            }
            for (Future<?> one : drawing) {
                one.get();
            }
        }
        return drawing.size();
    }

    /** Under another name first, so that a picture cut short by an interruption is drawn again. */
    private static void draw(Cast.Member member, Path file) throws IOException {
        Path part = file.resolveSibling("." + file.getFileName() + ".part");
        Files.deleteIfExists(part);
        member.part().write(part);
        Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
    }
}
