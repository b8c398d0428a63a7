package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.letters.Lettering;
import embrick.formats.pdf.ContactPages;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Contact sheets, opened again by PDFBox. */
class ContactPagesTest {
    @TempDir
    Path scratch;

    private byte[] pages(int cells, String title) throws IOException {
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        try (ContactPages pages = new ContactPages(title, PDRectangle.A4, cells, new Lettering(), scratch)) {
            for (int i = 1; i <= cells; i++) {
                pages.add(Optional.of(picture()), List.of(i + "  pier-" + i + ".jpg", "8 × 10 in", "checked"));
            }
            pages.save(pdf);
        }
        return pdf.toByteArray();
    }

    private static BufferedImage picture() {
        BufferedImage picture = new BufferedImage(60, 90, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 60 * 90; i++) {
            picture.setRGB(i % 60, i / 60, 0x2040C0);
        }
        return picture;
    }

    @Test
    void twentyGoOnAPageAndEachPageSaysWhichItIs() throws IOException {
        try (PDDocument document = Loader.loadPDF(pages(41, "Kite Days"))) {
            assertThat(document.getNumberOfPages()).isEqualTo(3);
            PDFTextStripper text = new PDFTextStripper();
            text.setStartPage(3);
            assertThat(text.getText(document))
                    .contains("Kite Days", "41  pier-41.jpg", "3 / 3")
                    .doesNotContain("pier-40");
        }
    }

    @Test
    void aPictureStandsInItsCellWithItsProportion() throws IOException {
        try (PDDocument document = Loader.loadPDF(pages(1, "One"))) {
            BufferedImage page = new PDFRenderer(document).renderImage(0, 1);
            int left = page.getWidth();
            int right = 0;
            int top = page.getHeight();
            int bottom = 0;
            for (int i = 0; i < page.getWidth() * page.getHeight(); i++) {
                int x = i % page.getWidth();
                int y = i / page.getWidth();
                Color at = new Color(page.getRGB(x, y));
                if (at.getBlue() > 150 && at.getRed() < 80) {
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
            assertThat(left).isBetween(35, 37);
            assertThat((double) (bottom - top) / (right - left)).isBetween(1.45, 1.55);
        }
    }

    @Test
    void whatTheFontDoesNotHaveAndWhatIsTooLongDoNotStopIt() throws IOException {
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        try (ContactPages pages = new ContactPages("凧", PDRectangle.LETTER, 1, new Lettering(), scratch)) {
            pages.add(Optional.empty(), List.of("1  🪁凧-" + "very-long-name-".repeat(20) + ".jpg"));
            pages.save(pdf);
        }
        try (PDDocument document = Loader.loadPDF(pdf.toByteArray())) {
            assertThat(new PDFTextStripper().getText(document)).contains("凧\n", "1  [U+1FA81]凧-very-long-name", "…");
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(612);
        }
    }

    @Test
    void aDeliveryWithoutPiecesIsAnEmptyPage() throws IOException {
        try (PDDocument document = Loader.loadPDF(pages(0, "Nothing"))) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
        }
    }
}
