package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a plan may not ask for. */
final class PlanLimits {
    /** Longest side of a baseline JPEG that its common codecs take (the format's own limit is 65 535). */
    private static final int JPEG_SIDE = 65_500;
    /** Longest side of other files: beyond any roll at any ppi. */
    private static final int OTHER_SIDE = 300_000;
    /** Longest side of a page: 14 400 units of 1/72 inch (ISO 32000-1, annex C.2). */
    private static final int PDF_INCHES = 200;
    /** Most pixels of one piece. */
    private static final long MOST_PIXELS = 1_000_000_000L;

    /** Most pixels of a WebP, whose coder holds them all at once. */
    private static final long MOST_WEBP_PIXELS = 100_000_000L;

    private PlanLimits() {}

    static Problem noPpi() {
        return Problem.of(
                "no-own-ppi",
                "fit",
                "a picture whose file says its ppi",
                "none",
                "State the picture's true size on the bench, or set the number of original pixels per inch on the ticket.");
    }

    static List<Problem> sizeProblems(PixelSize sheet, Bands bands, Ticket ticket) {
        List<Problem> problems = sizeProblems(sheet, "size", "Lower the ppi or the size", ticket);
        if (problems.isEmpty() && !bands.isNone()) {
            return sizeProblems(
                    bands.around(sheet), "edges", "Make the bands narrower, lower the ppi or the size", ticket);
        }
        return problems;
    }

    private static List<Problem> sizeProblems(PixelSize all, String subject, String remedy, Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        int mostSide = mostSide(ticket.file());
        long mostPixels = ticket.file() instanceof FileFormat.Webp ? MOST_WEBP_PIXELS : MOST_PIXELS;
        int longest = Math.max(all.width(), all.height());
        if (longest > mostSide) {
            problems.add(Problem.of(
                    "side-too-long",
                    subject,
                    "at most " + mostSide + " px a side in this file",
                    longest + " px",
                    remedy + ", or choose TIFF."));
        }
        if (all.pixels() > mostPixels) {
            problems.add(Problem.of(
                    "too-many-pixels",
                    subject,
                    "at most " + mostPixels / 1_000_000 + " MP",
                    all.pixels() / 1_000_000 + " MP",
                    remedy + "."));
        }
        double pageInches = longest / ticket.ppi().toPpi()
                + 2 * PageLayout.room(ticket.file()).toInches();
        if (ticket.file() instanceof FileFormat.Pdf && pageInches > PDF_INCHES) {
            problems.add(Problem.of(
                    "page-too-large",
                    subject,
                    "at most " + PDF_INCHES + " in a side on a PDF page, marks included",
                    String.format(Locale.ROOT, "%.1f in", pageInches),
                    remedy + ", or choose TIFF."));
        }
        return problems;
    }

    private static int mostSide(FileFormat file) {
        if (file instanceof FileFormat.Webp) {
            return FileFormat.Webp.MOST_SIDE;
        }
        return isCodedAsJpeg(file) ? JPEG_SIDE : OTHER_SIDE;
    }

    private static boolean isCodedAsJpeg(FileFormat file) {
        return switch (file) {
            case FileFormat.Jpeg _ -> true;
            case FileFormat.Pdf pdf -> pdf.pixels() instanceof FileFormat.PagePixels.Coded;
            case FileFormat.Tiff _, FileFormat.Png _, FileFormat.Webp _, FileFormat.AsItIs _ -> false;
        };
    }

    /** What stands against the paper round a picture that sits inside its sheet. */
    static List<Problem> paperProblems(Layout layout, Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        PixelSize sheet = layout.sheet();
        if (ticket.size() instanceof Size.Sheet && ticket.fit() instanceof Fit.Inside inside) {
            int margin = ticket.ppi().pixelsToCover(inside.margin());
            int shortSide = Math.min(sheet.width(), sheet.height());
            if (2L * margin >= shortSide) {
                problems.add(Problem.of(
                        "margin-too-wide",
                        "fit",
                        "a margin of less than half the sheet, " + shortSide / 2 + " px",
                        margin + " px",
                        "Choose a narrower margin, or a larger sheet."));
                return problems;
            }
        }
        if (ticket.fit().marks() == Fit.TrimMarks.AT_CORNERS) {
            PixelRect picture = layout.picture();
            int room = Math.min(
                    Math.min(picture.x(), picture.y()),
                    Math.min(sheet.width() - picture.right(), sheet.height() - picture.bottom()));
            int needed = Marks.trimRoom(ticket.ppi());
            if (room < needed) {
                problems.add(Problem.of(
                        "marks-without-room",
                        "fit",
                        "paper of " + Marks.GAP.plus(Marks.LONG) + " (" + needed + " px) on all sides for trim marks",
                        Math.max(0, room) + " px",
                        "Keep a wider margin, choose a larger sheet, or leave the marks out."));
            }
        }
        return problems;
    }
}
