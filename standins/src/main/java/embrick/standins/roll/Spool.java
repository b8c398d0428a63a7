package embrick.standins.roll;

import embrick.standins.common.RefusedException;
import embrick.standins.roll.JobTicket.Page;
import embrick.standins.roll.JobTicket.Piece;
import embrick.standins.roll.PrintJob.Stretch;
import java.awt.geom.GeneralPath;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The jobs' PDFs, and what came to lie on paper of them: each stretch as PDF in its true size, and as a picture. */
@Component
class Spool {
    private static final double MILLIMETRES_PER_POINT = 25.4 / 72;

    /** mm; a PDF's numbers are rounded. */
    private static final double SIZE_OFF = 1;

    private static final double LONGEST_SIDE = 2400;
    private static final double MOST_DPI = 72;
    private static final double POINTS_PER_INCH = 72;

    private final Path home;

    Spool(@Value("${standin.home}") Path home) {
        this.home = home.resolve("jobs");
    }

    Path folder(String job) {
        return home.resolve(job);
    }

    Path document(String job) {
        return folder(job).resolve("pages.pdf");
    }

    Path pdf(String job, int stretch) {
        return folder(job).resolve("stretch-" + stretch + ".pdf");
    }

    Path picture(String job, int stretch) {
        return folder(job).resolve("stretch-" + stretch + ".png");
    }

    /**
     * Sees that a PDF has the ticket's pages.
     *
     * @throws RefusedException if it is none, or has others
     */
    static void require(Path file, JobTicket ticket) {
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            if (document.getNumberOfPages() != ticket.pages().size()) {
                throw RefusedException.invalid(
                        "other-pages",
                        "The ticket has " + ticket.pages().size() + " pages, the PDF " + document.getNumberOfPages()
                                + ".");
            }
            for (int i = 0; i < ticket.pages().size(); i++) {
                PDPage page = document.getPage(i);
                double width = millimetres(page, page.getMediaBox().getWidth());
                double length = millimetres(page, page.getMediaBox().getHeight());
                if (Math.abs(width - ticket.width()) > SIZE_OFF
                        || Math.abs(length - ticket.pages().get(i).length()) > SIZE_OFF) {
                    throw RefusedException.invalid(
                            "other-size",
                            "Page " + (i + 1) + " of the PDF is " + Math.round(width) + " × " + Math.round(length)
                                    + " mm, other than its ticket says.");
                }
            }
        } catch (IOException unreadable) {
            throw RefusedException.invalid("no-pdf", "The document is no PDF that can be read.");
        }
    }

    private static double millimetres(PDPage page, double units) {
        return units * page.getUserUnit() * MILLIMETRES_PER_POINT;
    }

    /** Draws a stretch as it lies on paper: its part of the page, without what was on paper before it. */
    void keep(PrintJob job, Stretch stretch) throws IOException {
        Path making = folder(job.id()).resolve("making");
        try (PDDocument pages = Loader.loadPDF(document(job.id()).toFile());
                PDDocument out = new PDDocument()) {
            PDPage page = pages.getPage(stretch.page());
            Page ticket = job.ticket().pages().get(stretch.page());
            double unit = page.getUserUnit() * MILLIMETRES_PER_POINT;
            double length = stretch.at() - stretch.from();
            if (length <= 0) {
                return;
            }
            PDPage paper = new PDPage(new PDRectangle(page.getMediaBox().getWidth(), (float) (length / unit)));
            paper.setUserUnit(page.getUserUnit());
            out.addPage(paper);
            PDFormXObject form = new LayerUtility(out).importPageAsForm(pages, page);
            // The page's bottom lies so far below the stretch's.
            double shift = (ticket.length() - stretch.at()) / unit;
            try (PDPageContentStream content = new PDPageContentStream(out, paper)) {
                content.saveGraphicsState();
                content.transform(Matrix.getTranslateInstance(0, (float) -shift));
                clip(content, page.getMediaBox(), ticket, stretch, unit);
                content.drawForm(form);
                content.restoreGraphicsState();
            }
            out.save(making.toFile());
        }
        Files.move(making, pdf(job.id(), stretch.number()), StandardCopyOption.ATOMIC_MOVE);
        draw(job.id(), stretch);
    }

    /** All of the page but for the places of pieces that are on paper already. */
    private static void clip(PDPageContentStream content, PDRectangle box, Page ticket, Stretch stretch, double unit)
            throws IOException {
        GeneralPath kept = new GeneralPath(GeneralPath.WIND_EVEN_ODD);
        kept.append(new Rectangle2D.Double(0, 0, box.getWidth(), box.getHeight()), false);
        for (Piece piece : ticket.pieces()) {
            if (stretch.without().contains(piece.number())) {
                kept.append(
                        new Rectangle2D.Double(
                                piece.x() / unit,
                                (ticket.length() - piece.end()) / unit,
                                piece.width() / unit,
                                piece.height() / unit),
                        false);
            }
        }
        add(content, kept);
        content.clipEvenOdd();
    }

    private static void add(PDPageContentStream content, GeneralPath path) throws IOException {
        double[] at = new double[6];
        for (var each = path.getPathIterator(null); !each.isDone(); each.next()) {
            switch (each.currentSegment(at)) {
                case java.awt.geom.PathIterator.SEG_MOVETO -> content.moveTo((float) at[0], (float) at[1]);
                case java.awt.geom.PathIterator.SEG_LINETO -> content.lineTo((float) at[0], (float) at[1]);
                default -> content.closePath();
            }
        }
    }

    private void draw(String job, Stretch stretch) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf(job, stretch.number()).toFile())) {
            PDRectangle box = document.getPage(0).getMediaBox();
            double inches = Math.max(box.getWidth(), box.getHeight()) / POINTS_PER_INCH;
            PDFRenderer renderer = new PDFRenderer(document);
            renderer.setSubsamplingAllowed(true);
            BufferedImage drawn =
                    renderer.renderImageWithDPI(0, (float) Math.min(MOST_DPI, LONGEST_SIDE / inches), ImageType.RGB);
            Path making = folder(job).resolve("making.png");
            ImageIO.write(drawn, "png", making.toFile());
            Files.move(making, picture(job, stretch.number()), StandardCopyOption.ATOMIC_MOVE);
        }
    }
}
