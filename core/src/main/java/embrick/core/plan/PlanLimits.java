package embrick.core.plan;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;

/** What a plan may not ask for. */
final class PlanLimits {
    /** Longest side of a baseline JPEG that its common codecs take (the format's own limit is 65 535). */
    private static final int JPEG_SIDE = 65_500;
    /** Longest side of other files: beyond any roll at any ppi. */
    private static final int OTHER_SIDE = 300_000;
    /** Most pixels of one piece. */
    private static final long MOST_PIXELS = 1_000_000_000L;

    private PlanLimits() {}

    static List<Problem> colourProblems(SourceFacts facts, Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        if (facts.colour().model() != ColourModel.CMYK) {
            return problems;
        }
        if (facts.colour().profile().isEmpty()) {
            problems.add(new Problem(
                    "cmyk-without-profile",
                    "colour",
                    "a CMYK picture with its profile",
                    "CMYK without a profile",
                    "Its colours cannot be known: save it again with its profile, or as RGB."));
        } else if (ticket.colour() == OutputColour.ORIGINAL) {
            problems.add(new Problem(
                    "cmyk-output",
                    "colour",
                    "sRGB for a CMYK picture",
                    "the original's profile",
                    "Say sRGB on the ticket, or leave this picture out."));
        }
        return problems;
    }

    static Problem noPpi() {
        return new Problem(
                "no-own-ppi",
                "fit",
                "a picture whose file says its ppi",
                "none",
                "Say on the ticket how many original pixels go to an inch.");
    }

    static List<Problem> sizeProblems(PixelSize sheet, Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        int mostSide = ticket.file() instanceof FileFormat.Jpeg ? JPEG_SIDE : OTHER_SIDE;
        int longest = Math.max(sheet.width(), sheet.height());
        if (longest > mostSide) {
            problems.add(new Problem(
                    "side-too-long",
                    "size",
                    "at most " + mostSide + " px a side in this file",
                    longest + " px",
                    "Lower the ppi or the size, or choose TIFF."));
        }
        if (sheet.pixels() > MOST_PIXELS) {
            problems.add(new Problem(
                    "too-many-pixels",
                    "size",
                    "at most " + MOST_PIXELS / 1_000_000 + " MP",
                    sheet.pixels() / 1_000_000 + " MP",
                    "Lower the ppi or the size."));
        }
        return problems;
    }
}
