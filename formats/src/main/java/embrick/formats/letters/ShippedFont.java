package embrick.formats.letters;

import embrick.core.edge.CaptionLine;
import embrick.core.edge.CaptionRenderer;
import embrick.core.plan.CaptionText;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.GlyphData;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Liberation Sans (SIL Open Font License 1.1), which ships inside PDFBox: Latin, Greek and Cyrillic letters. Its outlines are
 * filled by the JDK's own rasteriser, so no font of the machine and no display is needed. Kerning is left out.
 */
public final class ShippedFont implements CaptionRenderer {
    private static final String RESOURCE = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final TrueTypeFont font;
    private final CmapLookup glyphs;
    private final double unitsPerEm;

    public ShippedFont() {
        try (InputStream in = file()) {
            font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            glyphs = font.getUnicodeCmapLookup();
            unitsPerEm = font.getUnitsPerEm();
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** The font's own file, to be put into documents. */
    public static InputStream file() {
        return PDDocument.class.getResourceAsStream(RESOURCE);
    }

    /** Words with their length, and the characters among them that the font does not have. */
    public synchronized CaptionText measured(String text) {
        double units = 0;
        StringBuilder missing = new StringBuilder();
        for (int character : text.codePoints().toArray()) {
            int glyph = glyphs.getGlyphId(character);
            if (glyph == 0) {
                missing.appendCodePoint(character);
            }
            units += advance(glyph);
        }
        return new CaptionText(text, units / unitsPerEm, missing.toString());
    }

    private int advance(int glyph) {
        try {
            return font.getAdvanceWidth(glyph);
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** The same words with a question mark for each letter that the font does not have. */
    public String shown(String words) {
        String missing = measured(words).missing();
        return words.codePoints()
                .map(character -> missing.indexOf(character) >= 0 ? '?' : character)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    @Override
    public Coverage draw(CaptionLine line) {
        return drawTurned(line, 0);
    }

    /** A line turned about the middle of its small letters, anticlockwise. */
    public Coverage drawTurned(CaptionLine line, double degrees) {
        double length = measured(line.text()).widthEm() * line.emPixels();
        double scale = line.emPixels() / unitsPerEm;
        Path2D outlines = outlines(line.text());
        outlines.transform(new AffineTransform(scale, 0, 0, -scale, line.middleX() - length / 2, line.baseline()));
        if (degrees != 0) {
            // About the middle of small letters, anticlockwise where y goes down.
            outlines.transform(AffineTransform.getRotateInstance(
                    -Math.toRadians(degrees),
                    line.middleX(),
                    line.baseline() - CaptionText.HALF_SMALL_LETTER * line.emPixels()));
        }
        return Filled.of(outlines.getBounds2D(), pen -> pen.fill(outlines));
    }

    /** In font units, y upwards, one letter behind the other from 0. */
    private synchronized Path2D outlines(String text) {
        Path2D all = new Path2D.Double();
        double at = 0;
        try {
            for (int character : text.codePoints().toArray()) {
                int glyph = glyphs.getGlyphId(character);
                GlyphData data = font.getGlyph().getGlyph(glyph);
                if (data != null) {
                    all.append(
                            AffineTransform.getTranslateInstance(at, 0).createTransformedShape(data.getPath()), false);
                }
                at += advance(glyph);
            }
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
        return all;
    }
}
