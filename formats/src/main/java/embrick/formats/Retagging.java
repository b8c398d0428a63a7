package embrick.formats;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.jpeg.JpegRetag;
import embrick.formats.metadata.OriginalMetadata;
import embrick.formats.picture.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Pieces that change nothing of an original but its marks: its coded picture goes over as it is. */
public final class Retagging {
    /** What other marks than the original's may add to its file, where that has a limit. */
    private static final long ROOM_FOR_MARKS = 70_000;

    private final ProfileShelf profiles;

    public Retagging(ProfileShelf profiles) {
        this.profiles = profiles;
    }

    /**
     * Whether a plan changes nothing of a JPEG but its marks: every pixel stays, in its place, its profile and its format.
     * Such a picture need not be decoded and coded anew.
     */
    public boolean suits(Path original, Plan plan) throws IOException {
        PixelSize stored = plan.source().stored();
        return plan.keepsPixels()
                && plan.window().seenAs() == Orientation.UPRIGHT
                && plan.extension().isNone()
                && plan.sheet().equals(stored)
                && plan.picture().equals(PixelRect.whole(stored))
                && plan.sharpening().isEmpty()
                && plan.file() instanceof FileFormat.Jpeg jpeg
                && jpeg.compressed() == FileFormat.Compressed.IF_CHANGED
                && Files.size(original) + ROOM_FOR_MARKS <= jpeg.mostBytes().orElse(Long.MAX_VALUE)
                && profiles.digest(plan.colour().from())
                        .equals(profiles.digest(plan.colour().to()))
                && JpegRetag.suits(original);
    }

    /** Copies a JPEG's coded picture under the marks of a plan that {@link #suits} it. */
    public void write(Path original, OriginalMetadata metadata, Plan plan, Target to) throws IOException {
        JpegRetag.write(original, plan.total(), new PrintMarks(profiles).of(plan, metadata), to.stream());
    }
}
