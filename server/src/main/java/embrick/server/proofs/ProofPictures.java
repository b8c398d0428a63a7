package embrick.server.proofs;

import embrick.core.colour.Rendering;
import embrick.core.contours.Contours;
import embrick.core.contours.Contours.Spot;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Notice;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.ReducedPlan;
import embrick.core.print.Print;
import embrick.core.print.PrintPart;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.sharpen.Halo;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.ScreenPictures;
import embrick.formats.picture.OpenedPicture;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.PictureWork.Asker;
import embrick.server.storage.Pictures;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Makes parts of sheets with the code that makes the files. */
@Service
class ProofPictures {
    /** Longest side of the print that contours are looked for on. */
    private static final double CONTOUR_SIDE = 900;
    /** Enough to go once round a picture. */
    private static final int CONTOURS = 12;

    private static final double MILLIMETRES_PER_INCH = 25.4;

    private final Prints prints;
    private final ScreenPictures screen;
    private final Pictures pictures;
    private final Formats formats;

    ProofPictures(Prints prints, ScreenPictures screen, Pictures pictures, Formats formats) {
        this.prints = prints;
        this.screen = screen;
        this.pictures = pictures;
        this.formats = formats;
    }

    /** What of a plan is shown. */
    enum Show {
        /** As the file will be. */
        FILE,
        /** As the file would be without its sharpening. */
        UNSHARPENED,
        /** The original's own pixels in the same place and size. */
        ORIGINAL
    }

    /** In which colours it is shown. */
    enum Look {
        /** The output's own numbers, under its own profile, at its own depth. */
        OWN,
        /** In sRGB as it looks on its paper: the paper's white and black. */
        PAPER,
        /** In sRGB, the paper's white as the screen's. */
        WHITE
    }

    /**
     * A part of a sheet.
     *
     * @param png in the output's own profile and depth, or in sRGB
     * @param halo of sharpening in this part
     */
    record Proof(byte[] png, Optional<Halo> halo) {}

    /** What is shown, in which colours, to whom. */
    record Shown(Show show, Look look, Asker asker) {}

    /** @param reduction that the plan has; 1 where its pixels are the file's */
    Proof make(
            OriginalPlace place,
            SourceFacts facts,
            Plan plan,
            Optional<GrownLayer> grown,
            PixelRect part,
            Shown wanted,
            double reduction)
            throws IOException {
        Plan shown = shown(plan, wanted.show(), reduction);
        return pictures.whole(place, facts, opened -> {
            AskedBytes png = new AskedBytes(wanted.asker());
            Optional<Halo> halo = switch (wanted.look()) {
                case OWN -> {
                    Print print = prints.print(shown, opened.raster(), grown);
                    screen.writeOwn(new PrintPart(print, part), shown, png);
                    yield print.halo();
                }
                case PAPER -> screen.write(shown, opened.raster(), grown, part, Rendering.ABSOLUTE, png);
                case WHITE -> screen.write(shown, opened.raster(), grown, part, Rendering.RELATIVE_PLAIN, png);
            };
            return new Proof(png.toByteArray(), halo);
        });
    }

    /** The strongest contours, in pixels of the plan's sheet; looked for on a reduced print without sharpening. */
    List<Spot> contours(OriginalPlace place, SourceFacts facts, Plan plan) throws IOException {
        return pictures.whole(place, facts, opened -> contours(opened, plan, plan));
    }

    /** The same, on a picture that was made smaller: quick, and places need no more. */
    List<Spot> contours(Path small, Plan plan, Again again) throws IOException {
        try (OpenedPicture opened = formats.open(small)) {
            return again.plan(opened.facts()) instanceof Planning.Ready(Plan planned, List<Notice> _)
                    ? contours(opened, planned, plan)
                    : List.of();
        }
    }

    /** @param plan of the picture that was opened, of the same sheet as the plan of the whole one */
    private List<Spot> contours(OpenedPicture opened, Plan plan, Plan whole) {
        double reduction = reductionOf(plan);
        Plan reduced = ReducedPlan.of(plan.withSharpening(Optional.empty()).withoutGrowing(), reduction)
                .withResampling(Resampling.by(Method.AREA));
        // Bands have the sheet's contours again.
        PixelRect sheet = reduced.sheetOnTotal();
        PrintPart part = new PrintPart(prints.print(reduced, opened.raster()), sheet);
        return Contours.strongest(part, CONTOURS).stream()
                .map(spot -> new Spot(
                        onTotal(spot.x() + sheet.x(), reduction, whole.total().width()),
                        onTotal(spot.y() + sheet.y(), reduction, whole.total().height()),
                        spot.strength()))
                .toList();
    }

    private static double reductionOf(Plan plan) {
        return Math.max(1, Math.max(plan.total().width(), plan.total().height()) / CONTOUR_SIDE);
    }

    /** Plans a picture of other facts as another was planned. */
    interface Again {
        Planning plan(SourceFacts opened);
    }

    private static int onTotal(int reducedPixel, double reduction, int length) {
        return Math.min(length - 1, (int) ((reducedPixel + 0.5) * reduction));
    }

    private static Plan shown(Plan plan, Show show, double reduction) {
        return switch (show) {
            case FILE -> plan;
            case UNSHARPENED -> plan.withSharpening(Optional.empty());
            case ORIGINAL ->
                plan.withSharpening(Optional.empty())
                        .withResampling(Resampling.by(reduction == 1 ? Method.NEAREST : Method.AREA));
        };
    }
}
