package embrick.formats.pdf;

import embrick.formats.letters.Lettering;
import embrick.formats.letters.Typeface;
import java.io.IOException;
import java.util.EnumMap;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Writes words into one document, whose fonts are embedded when they are first used and cut down to the letters used. */
final class DocumentFonts {
    private final PDDocument document;
    private final Lettering letters;
    private final Map<Typeface, PDFont> loaded = new EnumMap<>(Typeface.class);

    DocumentFonts(PDDocument document, Lettering letters) {
        this.document = document;
        this.letters = letters;
    }

    /**
     * @param x points from the page's left
     * @param y points from its bottom, of the line that letters stand on
     * @param size points of the em
     */
    void write(PDPageContentStream page, String words, double x, double y, double size) throws IOException {
        page.beginText();
        page.newLineAtOffset((float) x, (float) y);
        for (Lettering.Run run : letters.runs(words)) {
            page.setFont(font(run.typeface()), (float) size);
            page.showText(run.text());
        }
        page.endText();
    }

    private PDFont font(Typeface typeface) throws IOException {
        PDFont known = loaded.get(typeface);
        if (known == null) {
            known = PDType0Font.load(document, typeface.forDocument(), true);
            loaded.put(typeface, known);
        }
        return known;
    }
}
