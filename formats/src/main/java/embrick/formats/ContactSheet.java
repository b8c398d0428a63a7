package embrick.formats;

import embrick.core.pixels.Strip;
import embrick.core.plan.Planning;
import embrick.core.plan.SmallPlan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.formats.letters.Lettering;
import embrick.formats.pdf.ContactPages;
import embrick.formats.picture.OpenedPicture;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** Finished pieces as small pictures on pages, each with its words: what a customer ticks off, what lies beside the box. */
public final class ContactSheet {
    /** Pixels of a small picture's longest side: 300 ppi on its cell. */
    private static final int LONGEST = 520;

    private static final int ROWS = 64;

    private final Formats formats;
    private final Path scratch;
    private final Lettering letters;

    /** @param scratch a folder for files that are needed for a moment */
    public ContactSheet(Formats formats, Lettering letters, Path scratch) {
        this.letters = letters;
        this.formats = formats;
        this.scratch = scratch;
    }

    /** The paper it is printed on. */
    public enum Paper {
        A4(PDRectangle.A4),
        LETTER(PDRectangle.LETTER);

        private final PDRectangle size;

        Paper(PDRectangle size) {
            this.size = size;
        }
    }

    /**
     * @param piece its file; empty where there is none as it was checked
     * @param words lines under it
     */
    public record Cell(Optional<Path> piece, List<String> words) {
        public Cell {
            words = List.copyOf(words);
        }
    }

    /** A piece that cannot be shown has its words alone; it stops none of the others. */
    public void write(String title, Paper paper, List<Cell> cells, OutputStream to) throws IOException {
        try (ContactPages pages = new ContactPages(title, paper.size, cells.size(), letters, scratch)) {
            for (Cell cell : cells) {
                pages.add(cell.piece().flatMap(this::small), cell.words());
            }
            pages.save(to);
        }
    }

    private Optional<BufferedImage> small(Path piece) {
        try {
            if (piece.toString().endsWith(".pdf")) {
                return Optional.of(ContactPages.rendered(piece, LONGEST));
            }
            try (OpenedPicture opened = formats.openAsItIs(piece, LONGEST)) {
                return SmallPlan.of(opened.facts(), LONGEST) instanceof Planning.Ready ready
                        ? Optional.of(image(Printer.print(ready.plan(), opened.raster(), formats.profiles())))
                        : Optional.empty();
            }
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    /** Of a print in sRGB, or in grey. */
    private static BufferedImage image(Print print) {
        int width = print.size().width();
        int height = print.size().height();
        int channels = print.channels();
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y += ROWS) {
            Strip strip = print.rows(y, Math.min(ROWS, height - y));
            for (int i = 0; i < strip.rows() * width; i++) {
                int rgb = 0;
                for (int c = 0; c < 3; c++) {
                    float sample = strip.samples()[i * channels + Math.min(c, channels - 1)];
                    rgb = rgb << 8 | Math.round(Math.clamp(sample, 0f, 1f) * 255);
                }
                image.setRGB(i % width, y + i / width, rgb);
            }
        }
        return image;
    }
}
