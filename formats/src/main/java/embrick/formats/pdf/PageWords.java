package embrick.formats.pdf;

import embrick.formats.letters.ShippedFont;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Words on the pages of a PDF that is there, in the shipped font, in black. */
public final class PageWords {
    private PageWords() {}

    /**
     * @param x points from the page's left
     * @param y points from its foot, of the line that letters stand on
     * @param size points of the em
     */
    public record Words(double x, double y, double size, String text) {}

    /** @param pages for each page of the PDF its words; what the font does not have becomes a question mark */
    public static void write(Path pdf, List<List<Words>> pages, ShippedFont letters, OutputStream to)
            throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile());
                InputStream in = ShippedFont.file()) {
            PDFont font = PDType0Font.load(document, in);
            for (int i = 0; i < pages.size(); i++) {
                try (PDPageContentStream content =
                        new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true)) {
                    for (Words words : pages.get(i)) {
                        content.beginText();
                        content.setNonStrokingColor(0f);
                        content.setFont(font, (float) words.size());
                        content.newLineAtOffset((float) words.x(), (float) words.y());
                        content.showText(letters.shown(words.text()));
                        content.endText();
                    }
                }
            }
            document.save(to);
        }
    }
}
