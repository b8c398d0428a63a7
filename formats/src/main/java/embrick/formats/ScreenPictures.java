package embrick.formats;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.print.OnScreen;
import embrick.core.print.PixelRows;
import embrick.core.print.Print;
import embrick.core.print.PrintPart;
import embrick.core.sharpen.Halo;
import embrick.formats.crew.Crew;
import embrick.formats.exif.ColourTag;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.PrintFile;
import embrick.formats.png.PngWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;

/** Parts of prints for the screen, as PNG that is quick to make. */
public final class ScreenPictures {
    private final ProfileShelf profiles;
    private final Prints printing;
    private final Crew crew;

    public ScreenPictures(ProfileShelf profiles, Prints printing, Crew crew) {
        this.crew = crew;
        this.profiles = profiles;
        this.printing = printing;
    }

    /** Writes a part of a print with its own pixels, profile and depth. */
    public void writeOwn(PrintPart part, Plan plan, OutputStream to) throws IOException {
        PngWriter.write(
                part, new PrintMarks(profiles).of(plan), PngWriter.Effort.QUICK, to, crew, PrintFile.Progress.none());
    }

    /**
     * Writes a part of a print as it looks, in sRGB of 8 bits.
     *
     * @param grown the background, where the plan grows one
     * @param look absolute to show the paper's own white and black, relative to show it on the screen's white
     * @return how far sharpened contours overshoot in it
     */
    public Optional<Halo> write(
            Plan plan, Raster original, Optional<GrownLayer> grown, PixelRect part, Rendering look, OutputStream to)
            throws IOException {
        ProfileRef screen = new ProfileRef.Srgb();
        Transform toScreen = profiles.along(new ColourPath(plan.colour().to(), screen, look));
        Print print = printing.print(plan, original, grown);
        PixelRows shown = new OnScreen(new PrintPart(print, part), toScreen);
        PrintFile file = new PrintFile(plan.marked(), profiles.bytes(screen), ColourTag.SRGB);
        PngWriter.write(shown, file, PngWriter.Effort.QUICK, to, crew, PrintFile.Progress.none());
        return print.halo();
    }
}
