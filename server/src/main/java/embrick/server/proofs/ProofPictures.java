package embrick.server.proofs;

import embrick.core.contours.Contours;
import embrick.core.contours.Contours.Spot;
import embrick.core.lift.Halo;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.plan.ReducedPlan;
import embrick.core.print.Print;
import embrick.core.print.PrintPart;
import embrick.core.print.Printer;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.server.storage.DecodedOriginals;
import embrick.server.storage.Storage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
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

    private final Formats formats;
    private final Storage storage;
    private final DecodedOriginals decoded;

    ProofPictures(Formats formats, Storage storage, DecodedOriginals decoded) {
        this.formats = formats;
        this.storage = storage;
        this.decoded = decoded;
    }

    /** What of a plan is shown. */
    enum Show {
        /** As the file will be. */
        FILE,
        /** As the file would be without its lift. */
        UNLIFTED,
        /** The original's own pixels in the same place and size. */
        ORIGINAL
    }

    /**
     * A part of a sheet.
     *
     * @param png in the output's own profile and depth
     * @param halo of the lift in this part
     */
    record Proof(byte[] png, Optional<Halo> halo) {}

    /** @param reduction that the plan has; 1 where its pixels are the file's */
    Proof make(String digest, SourceFacts facts, Plan plan, PixelRect part, Show show, double reduction)
            throws IOException {
        Plan shown = shown(plan, show, reduction);
        return decoded.using(digest, facts, () -> formats.open(storage.original(digest)), opened -> {
            Print print = Printer.print(shown, opened.raster(), formats.profiles());
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            formats.writeProof(new PrintPart(print, part), shown, png);
            return new Proof(png.toByteArray(), print.halo());
        });
    }

    /** The strongest contours, in pixels of the plan's sheet; looked for on a reduced print without lift. */
    List<Spot> contours(String digest, SourceFacts facts, Plan plan) throws IOException {
        int longest = Math.max(plan.sheet().width(), plan.sheet().height());
        double reduction = Math.max(1, longest / CONTOUR_SIDE);
        Plan reduced =
                ReducedPlan.of(plan.withLift(Optional.empty()), reduction).withResampling(Resampling.by(Method.AREA));
        return decoded.using(digest, facts, () -> formats.open(storage.original(digest)), opened -> {
            Print print = Printer.print(reduced, opened.raster(), formats.profiles());
            return Contours.strongest(print, CONTOURS).stream()
                    .map(spot -> new Spot(
                            onSheet(spot.x(), reduction, plan.sheet().width()),
                            onSheet(spot.y(), reduction, plan.sheet().height()),
                            spot.strength()))
                    .toList();
        });
    }

    private static int onSheet(int reducedPixel, double reduction, int length) {
        return Math.min(length - 1, (int) ((reducedPixel + 0.5) * reduction));
    }

    private static Plan shown(Plan plan, Show show, double reduction) {
        return switch (show) {
            case FILE -> plan;
            case UNLIFTED -> plan.withLift(Optional.empty());
            case ORIGINAL ->
                plan.withLift(Optional.empty())
                        .withResampling(Resampling.by(reduction == 1 ? Method.NEAREST : Method.AREA));
        };
    }
}
