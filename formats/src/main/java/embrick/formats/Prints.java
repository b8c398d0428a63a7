package embrick.formats;

import embrick.core.grown.GrownLayer;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.letters.Lettering;
import embrick.formats.letters.MarkDrawing;
import embrick.formats.letters.Stencils;
import java.util.Optional;

/** Prints with the profiles and the letters that are here. Safe for several threads. */
public final class Prints {
    private final ProfileShelf profiles;
    private final Lettering font = new Lettering();
    private final MarkDrawing drawing;

    /** Without pictures for marks. */
    public Prints(ProfileShelf profiles) {
        this(profiles, Stencils.none());
    }

    /** @param stencils the pictures that marks may be */
    public Prints(ProfileShelf profiles, Stencils stencils) {
        this.profiles = profiles;
        this.drawing = new MarkDrawing(font, stencils);
    }

    /** The font that captions are set in. */
    public Lettering font() {
        return font;
    }

    /** The output of a plan, made as it is asked for; the original stays the caller's. */
    public Print print(Plan plan, Raster original) {
        return print(plan, original, Optional.empty());
    }

    /** @param grown the background, where the plan grows one */
    public Print print(Plan plan, Raster original, Optional<GrownLayer> grown) {
        return Printer.print(plan, original, profiles, drawing, grown);
    }
}
