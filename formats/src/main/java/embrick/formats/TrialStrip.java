package embrick.formats;

import embrick.core.pixels.PixelRect;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.trial.TrialCrop;
import embrick.core.trial.TrialSheet;
import embrick.core.trial.TrialSheet.Cell;
import embrick.formats.pdf.PageWords;
import embrick.formats.pdf.PageWords.Words;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Makes a trial strip: crops of one picture at their final size, in their own profiles, with words beneath, as PDF. */
public final class TrialStrip {
    private static final double POINTS_PER_MILLIMETRE = 72 / 25.4;
    private static final double MILLIMETRES_PER_INCH = 25.4;
    private static final double LETTERS = 7;

    private final Formats formats;
    private final Prints prints;
    private final Sheets sheets;

    public TrialStrip(Formats formats, Prints prints, Sheets sheets) {
        this.formats = formats;
        this.prints = prints;
        this.sheets = sheets;
    }

    /** One setting: what it comes to for the whole piece, and its name. */
    public record Setting(Plan whole, String words) {}

    /** Opens the original once for all crops. */
    public interface Opened {
        void each(Made made) throws IOException;
    }

    /** What is done with a picture while it is open. */
    public interface Made {
        void of(OpenedPicture opened) throws IOException;
    }

    /**
     * @param places in the pieces' pixels, all of one size, each inside {@link TrialCrop#room}
     * @param scratch a folder of its own, which the caller deletes
     */
    public void write(
            String title,
            List<Setting> settings,
            List<PixelRect> places,
            TrialSheet sheet,
            Path scratch,
            Opened original,
            OutputStream to)
            throws IOException {
        List<Book.Page> crops = new ArrayList<>();
        original.each(opened -> {
            for (PixelRect place : places) {
                for (Setting setting : settings) {
                    crops.add(
                            crop(opened, TrialCrop.of(setting.whole(), place), scratch.resolve(crops.size() + ".pdf")));
                }
            }
        });
        Path laid = scratch.resolve("laid.pdf");
        List<List<Words>> words = new ArrayList<>();
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(laid))) {
            sheets.write(title, laid(crops, settings, places.size(), sheet, words), out);
        }
        PageWords.write(laid, words, prints.font(), to);
    }

    private Book.Page crop(OpenedPicture opened, Plan plan, Path file) throws IOException {
        Print print = prints.print(plan, opened.raster());
        try (FileTarget target = FileTarget.create(file)) {
            formats.write(print, plan, target, PrintFile.Progress.none());
        }
        return new Book.Page(file, plan);
    }

    private static List<Sheets.Sheet> laid(
            List<Book.Page> crops, List<Setting> settings, int places, TrialSheet sheet, List<List<Words>> words) {
        Plan first = crops.getFirst().plan();
        double width = millimetres(first.total().width(), first);
        double height = millimetres(first.total().height(), first);
        List<Cell> cells = sheet.cells(width, height, settings.size(), places);
        List<List<Sheets.Laid>> pages = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            Cell cell = cells.get(i);
            while (pages.size() <= cell.sheet()) {
                pages.add(new ArrayList<>());
                words.add(new ArrayList<>());
            }
            Box box = new Box(
                    points(cell.x()),
                    points(sheet.height() - cell.y() - height),
                    points(cell.x() + width),
                    points(sheet.height() - cell.y()));
            pages.get(cell.sheet()).add(new Sheets.Laid(crops.get(i), box, false, box));
            String text = settings.get(i % settings.size()).words();
            words.get(cell.sheet()).add(new Words(box.left(), box.bottom() - LETTERS * 1.3, LETTERS, text));
        }
        return pages.stream()
                .map(page -> new Sheets.Sheet(points(sheet.width()), points(sheet.height()), page, List.of()))
                .toList();
    }

    private static double millimetres(int pixels, Plan plan) {
        return pixels / plan.marked().toPpi() * MILLIMETRES_PER_INCH;
    }

    private static double points(double millimetres) {
        return millimetres * POINTS_PER_MILLIMETRE;
    }
}
