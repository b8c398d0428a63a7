package embrick.core;

import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.Optional;

/** Facts and tickets with sane defaults, for tests. */
public final class Sample {
    private Sample() {}

    public static SourceFacts picture(int width, int height) {
        return picture(width, height, Orientation.UPRIGHT);
    }

    public static SourceFacts picture(int width, int height, Orientation orientation) {
        return new SourceFacts(
                FileKind.JPEG,
                new PixelSize(width, height),
                orientation,
                Optional.empty(),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.empty()),
                1000);
    }

    public static SourceFacts picture(int width, int height, ColourModel model) {
        return new SourceFacts(
                FileKind.JPEG,
                new PixelSize(width, height),
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(model, Alpha.OPAQUE, 8, Optional.empty()),
                1000);
    }

    public static Ticket ticket() {
        return Ticket.plain(onPaper("8 in", "10 in"), Resolution.perInch(300), new FileFormat.Jpeg(95));
    }

    public static Size onPaper(String width, String height) {
        return new Size.OnPaper(new PaperSize(Length.parse(width, LengthUnit.IN), Length.parse(height, LengthUnit.IN)));
    }
}
