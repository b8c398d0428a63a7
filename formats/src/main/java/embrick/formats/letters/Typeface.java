package embrick.formats.letters;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.GlyphData;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeCollection;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;

/** One font file: which characters it has, how wide they are, and their outlines. Safe for use by several threads. */
public enum Typeface {
    /** Liberation Sans (SIL Open Font License 1.1), which ships inside PDFBox: Latin, Greek and Cyrillic letters. */
    MAIN {
        @Override
        Optional<TrueTypeFont> read() throws IOException {
            try (InputStream in = PDDocument.class.getResourceAsStream(
                    "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf")) {
                return Optional.of(new TTFParser().parse(new RandomAccessReadBuffer(in)));
            }
        }

        @Override
        boolean isMeantFor(int character) {
            return true;
        }
    },
    /** WenQuanYi Micro Hei (Apache License 2.0), a Debian package: Chinese, Japanese and Korean. */
    EAST_ASIAN {
        @Override
        Optional<TrueTypeFont> read() throws IOException {
            Path file = Path.of("/usr/share/fonts/truetype/wqy/wqy-microhei.ttc");
            return Files.isReadable(file)
                    ? Optional.of(new TrueTypeCollection(file.toFile()).getFontByName("WenQuanYiMicroHei"))
                    : Optional.empty();
        }

        /** The font has letters of other scripts too, which cannot be set one behind the other. */
        @Override
        boolean isMeantFor(int character) {
            return switch (Character.UnicodeScript.of(character)) {
                case HAN, HIRAGANA, KATAKANA, HANGUL, BOPOMOFO, COMMON -> true;
                default -> false;
            };
        }
    };

    private Optional<TrueTypeFont> font;
    private CmapLookup glyphs;

    /** Reads the font's file; empty if it is not on this machine. */
    abstract Optional<TrueTypeFont> read() throws IOException;

    /** A copy of a typeface that has been found to have some letter, for one document, which it must outlast. */
    public TrueTypeFont forDocument() throws IOException {
        return read().orElseThrow(() -> new IOException("the font of " + this + " letters is gone"));
    }

    abstract boolean isMeantFor(int character);

    /** Read when it is first needed: hardly any job needs all of them. */
    private synchronized Optional<TrueTypeFont> font() {
        if (font == null) {
            try {
                Optional<TrueTypeFont> there = read();
                glyphs = there.isPresent() ? there.get().getUnicodeCmapLookup() : null;
                font = there;
            } catch (IOException damaged) {
                throw new UncheckedIOException(damaged);
            }
        }
        return font;
    }

    boolean has(int character) {
        return isMeantFor(character) && font().isPresent() && glyphs.getGlyphId(character) != 0;
    }

    /** In ems; of a character that it does not have, the width of its sign for such. */
    synchronized double advance(int character) {
        try {
            TrueTypeFont known = font().orElseThrow();
            return (double) known.getAdvanceWidth(glyphs.getGlyphId(character)) / known.getUnitsPerEm();
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** In ems, y upwards, from the origin. */
    synchronized Shape outline(int character) {
        try {
            TrueTypeFont known = font().orElseThrow();
            GlyphData data = known.getGlyph().getGlyph(glyphs.getGlyphId(character));
            double scale = 1.0 / known.getUnitsPerEm();
            return data == null
                    ? new Path2D.Double()
                    : AffineTransform.getScaleInstance(scale, scale).createTransformedShape(data.getPath());
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }
}
