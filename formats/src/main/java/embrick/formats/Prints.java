package embrick.formats;

import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.letters.ShippedFont;

/** Prints with the profiles and the letters that are here. Safe for several threads. */
public final class Prints {
    private final ProfileShelf profiles;
    private final ShippedFont font = new ShippedFont();

    public Prints(ProfileShelf profiles) {
        this.profiles = profiles;
    }

    /** The font that captions are set in. */
    public ShippedFont font() {
        return font;
    }

    /** The output of a plan, made as it is asked for; the original stays the caller's. */
    public Print print(Plan plan, Raster original) {
        return Printer.print(plan, original, profiles, font);
    }
}
