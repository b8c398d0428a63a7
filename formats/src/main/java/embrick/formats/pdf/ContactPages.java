package embrick.formats.pdf;

import embrick.formats.letters.Lettering;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.MemoryUsageSetting;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Pages of small pictures in rows, with words under each. */
public final class ContactPages implements AutoCloseable {
    private static final int COLUMNS = 4;
    private static final int ROWS = 5;
    private static final float MARGIN = 36;
    private static final float HEAD = 24;
    private static final float BOTTOM = 14;
    private static final float GAP = 12;
    private static final float LINE = 9;
    private static final float TITLE_SIZE = 12;
    private static final float SIZE = 7;
    private static final float JPEG_QUALITY = 0.85f;
    /** Lines of words that there is room for. */
    private static final int LINES = 3;

    private static final String MORE = "…";

    private final PDDocument document;
    private final Lettering letters;
    private final DocumentFonts fonts;
    private final String title;
    private final PDRectangle paper;
    private final int all;
    private int laid;
    private PDPageContentStream page;

    /**
     * @param paper points, upright
     * @param all cells that will come
     * @param scratch where pictures lie until the document is saved
     */
    public ContactPages(String title, PDRectangle paper, int all, Lettering letters, Path scratch) throws IOException {
        this.document = new PDDocument(MemoryUsageSetting.setupTempFileOnly().setTempDir(scratch.toFile()).streamCache);
        this.letters = letters;
        this.paper = paper;
        this.all = all;
        this.fonts = new DocumentFonts(document, letters);
        this.title = letters.shown(title);
        document.getDocumentInformation().setTitle(title);
        document.getDocumentInformation().setProducer("Embrick");
    }

    /** The first page of a PDF, its longest side so many pixels; pictures in it are read no finer than that needs. */
    public static BufferedImage rendered(Path pdf, int longest) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            PDRectangle box = document.getPage(0).getMediaBox();
            PDFRenderer renderer = new PDFRenderer(document);
            renderer.setSubsamplingAllowed(true);
            return renderer.renderImage(0, longest / Math.max(box.getWidth(), box.getHeight()));
        }
    }

    /** @param picture in sRGB; empty where there is none to show */
    public void add(Optional<BufferedImage> picture, List<String> words) throws IOException {
        int cell = laid % (COLUMNS * ROWS);
        if (cell == 0) {
            begin();
        }
        laid++;
        float width = (paper.getWidth() - 2 * MARGIN - (COLUMNS - 1) * GAP) / COLUMNS;
        float height = (paper.getHeight() - 2 * MARGIN - HEAD - BOTTOM - (ROWS - 1) * GAP) / ROWS;
        float left = MARGIN + cell % COLUMNS * (width + GAP);
        float top = paper.getHeight() - MARGIN - HEAD - cell / COLUMNS * (height + GAP);
        float room = height - LINES * LINE - 2;
        if (picture.isPresent()) {
            draw(picture.get(), left, top, width, room);
        }
        for (int i = 0; i < Math.min(LINES, words.size()); i++) {
            fonts.write(page, cut(letters.shown(words.get(i)), width), left, top - room - 2 - (i + 1) * LINE + 2, SIZE);
        }
    }

    private void draw(BufferedImage picture, float left, float top, float width, float room) throws IOException {
        PDImageXObject image = JPEGFactory.createFromImage(document, picture, JPEG_QUALITY);
        float scale = Math.min(width / picture.getWidth(), room / picture.getHeight());
        float drawn = picture.getHeight() * scale;
        page.drawImage(image, left, top - drawn, picture.getWidth() * scale, drawn);
    }

    private void begin() throws IOException {
        end();
        PDPage next = new PDPage(paper);
        document.addPage(next);
        page = new PDPageContentStream(document, next);
        String number =
                document.getNumberOfPages() + " / " + Math.max(1, (all + COLUMNS * ROWS - 1) / (COLUMNS * ROWS));
        float width = paper.getWidth() - 2 * MARGIN;
        fonts.write(
                page,
                cut(title, width * SIZE / TITLE_SIZE),
                MARGIN,
                paper.getHeight() - MARGIN - TITLE_SIZE,
                TITLE_SIZE);
        fonts.write(page, number, paper.getWidth() - MARGIN - length(number), MARGIN, SIZE);
    }

    private float length(String words) {
        return (float) letters.measured(words).widthEm() * SIZE;
    }

    /** Cut at its end so that it fits, at the size of a cell's words. */
    private String cut(String words, float width) {
        if (length(words) <= width) {
            return words;
        }
        int[] characters = words.codePoints().toArray();
        int kept = characters.length;
        while (kept > 0 && length(new String(characters, 0, kept) + MORE) > width) {
            kept--;
        }
        return new String(characters, 0, kept) + MORE;
    }

    private void end() throws IOException {
        if (page != null) {
            page.close();
            page = null;
        }
    }

    public void save(OutputStream to) throws IOException {
        if (laid == 0) {
            begin();
        }
        end();
        document.save(to);
    }

    @Override
    public void close() throws IOException {
        end();
        document.close();
    }
}
