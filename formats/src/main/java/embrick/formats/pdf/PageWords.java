package embrick.formats.pdf;

import embrick.formats.letters.Lettering;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;

/** Words on the pages of a PDF that is there, in black. */
public final class PageWords {
    private PageWords() {}

    /**
     * @param x points from the page's left
     * @param y points from its bottom, of the line that letters stand on
     * @param size points of the em
     */
    public record Words(double x, double y, double size, String text) {}

    /** @param pages the words of each page; a character that no typeface has appears as its code */
    public static void write(Path pdf, List<List<Words>> pages, Lettering letters, OutputStream to) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            DocumentFonts fonts = new DocumentFonts(document, letters);
            for (int i = 0; i < pages.size(); i++) {
                try (PDPageContentStream content =
                        new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true)) {
                    content.setNonStrokingColor(0f);
                    for (Words words : pages.get(i)) {
                        fonts.write(content, words.text(), words.x(), words.y(), words.size());
                    }
                }
            }
            document.save(to);
        }
    }
}
