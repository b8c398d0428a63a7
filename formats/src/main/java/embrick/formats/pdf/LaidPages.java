package embrick.formats.pdf;

import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.PageLayout.Line;
import embrick.core.plan.PageLayout.Meaning;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/** Pages that each hold several pieces, in their true size: a stretch of a roll, a cut sheet. */
public final class LaidPages implements AutoCloseable {
    /** The longest side of a page in its own units (ISO 32000-1, annex C.2); a longer one has larger units. */
    private static final double LONGEST = 14_400;

    private final PdfPages pages;
    private final Map<Path, COSStream> images = new HashMap<>();

    /**
     * A piece on a page.
     *
     * @param file names the piece: drawn several times it is kept once
     * @param box points, where the whole of it lies
     * @param turned a quarter, clockwise
     * @param shown the part that is seen: all of the box, or less of a print that is glued from parts
     */
    public record Laid(Path file, Box box, boolean turned, Box shown) {}

    /** @param scratch where pictures lie until the document is saved */
    public LaidPages(String title, Path scratch) {
        pages = new PdfPages(title, scratch);
    }

    /** Puts a piece into the document that is not in it yet. */
    public void keep(Path file, PdfPages.Picture picture, PdfPages.Bytes bytes) throws IOException {
        images.put(file, pages.keep(picture, bytes));
    }

    /** Whether a piece is in the document already. */
    public boolean has(Path file) {
        return images.containsKey(file);
    }

    /**
     * @param width points
     * @param height points
     */
    public void add(double width, double height, List<Laid> laid, List<Line> cuts) throws IOException {
        double unit = Math.max(1, Math.ceil(Math.max(width, height) / LONGEST));
        Map<Path, String> names = new HashMap<>();
        Map<String, COSStream> drawn = new HashMap<>();
        StringBuilder content = new StringBuilder();
        for (Laid one : laid) {
            String name = names.computeIfAbsent(one.file(), _ -> "Piece" + names.size());
            drawn.put(name, images.get(one.file()));
            content.append(drawn(one, name, unit));
        }
        cuts.forEach(cut -> content.append(PdfPages.drawn(scaled(cut, unit))));
        COSDictionary page = pages.add(new Box(0, 0, width / unit, height / unit), drawn, content.toString());
        if (unit > 1) {
            page.setInt(COSName.getPDFName("UserUnit"), (int) unit);
        }
    }

    private static Line scaled(Line line, double unit) {
        return new Line(line.x1() / unit, line.y1() / unit, line.x2() / unit, line.y2() / unit, Meaning.CUT);
    }

    private static String drawn(Laid laid, String name, double unit) {
        Box box = scaled(laid.box(), unit);
        Box shown = scaled(laid.shown(), unit);
        String clip = laid.shown().equals(laid.box())
                ? ""
                : numbers(shown.left(), shown.bottom(), shown.right() - shown.left(), shown.top() - shown.bottom())
                        + "re W n ";
        double across = box.right() - box.left();
        double along = box.top() - box.bottom();
        String matrix = laid.turned()
                ? numbers(0, -along, across, 0, box.left(), box.top())
                : numbers(across, 0, 0, along, box.left(), box.bottom());
        return "q " + clip + matrix + "cm /" + name + " Do Q\n";
    }

    private static Box scaled(Box box, double unit) {
        return new Box(box.left() / unit, box.bottom() / unit, box.right() / unit, box.top() / unit);
    }

    private static String numbers(double... numbers) {
        StringBuilder text = new StringBuilder();
        for (double number : numbers) {
            text.append(PdfPages.text(number)).append(' ');
        }
        return text.toString();
    }

    public void save(OutputStream to) throws IOException {
        pages.save(to);
    }

    @Override
    public void close() throws IOException {
        pages.close();
    }
}
