package embrick.server.proofs;

import embrick.core.colour.ColourPath;
import embrick.core.gamut.GamutCheck;
import embrick.core.gamut.GamutLoss;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Strip;
import embrick.core.plan.Notice;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.ReducedPlan;
import embrick.core.print.PrintPart;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.source.SourceFacts;
import embrick.formats.Prints;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.OpenedPicture;
import embrick.server.framings.Plans;
import embrick.server.proofs.ProofPictures.Again;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.Pictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.BitSet;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;

/** What a print will not show of its picture's colours: marked on the proof, and in figures. */
@Service
class SoftProof {
    /** Longest side of the print that figures are taken from: shares of colours hardly change with more. */
    private static final double FIGURE_SIDE = 600;

    private static final int ROWS = 64;

    private final Prints prints;
    private final ProfileShelf profiles;
    private final Pictures pictures;

    SoftProof(Prints prints, ProfileShelf profiles, Pictures pictures) {
        this.prints = prints;
        this.profiles = profiles;
        this.pictures = pictures;
    }

    /** The print in its picture's own colours, before they are converted. */
    private static Plan unconverted(Plan plan) {
        ColourPath kept = new ColourPath(plan.colour().from(), plan.colour().from());
        Plan same = plan.withColour(kept);
        return kept.to().model() == ColourModel.CMYK ? same.withSharpening(Optional.empty()) : same;
    }

    /** A picture to be laid over a proof: stripes where the colour cannot be printed, else nothing. */
    byte[] marks(OriginalPlace place, SourceFacts facts, Plan plan, PixelRect part) throws IOException {
        GamutCheck meter = new GamutCheck(plan.colour(), profiles);
        BufferedImage marks = new BufferedImage(part.width(), part.height(), BufferedImage.TYPE_INT_ARGB);
        pictures.whole(place, facts, opened -> {
            PrintPart pixels = new PrintPart(prints.print(unconverted(plan).withoutGrowing(), opened.raster()), part);
            for (int y = 0; y < part.height(); y += ROWS) {
                int rows = Math.min(ROWS, part.height() - y);
                Strip strip = pixels.rows(y, rows);
                mark(marks, y, meter.beyond(strip.samples(), 0, rows * part.width()));
            }
            return null;
        });
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(marks, "png", png);
        return png.toByteArray();
    }

    private static void mark(BufferedImage marks, int top, BitSet beyond) {
        int width = marks.getWidth();
        for (int i = beyond.nextSetBit(0); i >= 0; i = beyond.nextSetBit(i + 1)) {
            Stripes.mark(marks, i % width, top + i / width);
        }
    }

    /**
     * @param again plans the picture decoded smaller, which is quicker; empty where a smaller picture would be another sheet
     */
    GamutLoss loss(Plans.Planned planned, Optional<Again> again) throws IOException {
        int leastEdge = again.isPresent() ? 2 * (int) FIGURE_SIDE : Integer.MAX_VALUE;
        return pictures.reduced(planned.original().place(), planned.facts(), leastEdge, opened -> {
            Planning planning = again.isPresent() ? again.get().plan(opened.facts()) : planned.planning();
            return planning instanceof Planning.Ready(Plan plan, java.util.List<Notice> _)
                    ? loss(plan, opened)
                    : GamutLoss.NONE;
        });
    }

    private GamutLoss loss(Plan plan, OpenedPicture opened) {
        double reduction =
                Math.max(1, Math.max(plan.total().width(), plan.total().height()) / FIGURE_SIDE);
        Plan reduced = ReducedPlan.of(
                unconverted(plan).withSharpening(Optional.empty()).withoutGrowing(), reduction);
        if (reduction > 1) {
            reduced = reduced.withResampling(Resampling.by(Method.AREA));
        }
        // Bands have the picture's colours again, paper has none of them.
        PixelRect sheet = reduced.sheetOnTotal();
        PrintPart pixels = new PrintPart(prints.print(reduced, opened.raster()), sheet);
        GamutCheck meter = new GamutCheck(plan.colour(), profiles);
        for (int y = 0; y < sheet.height(); y += ROWS) {
            int rows = Math.min(ROWS, sheet.height() - y);
            meter.measure(pixels.rows(y, rows).samples(), 0, rows * sheet.width());
        }
        return meter.loss();
    }
}
