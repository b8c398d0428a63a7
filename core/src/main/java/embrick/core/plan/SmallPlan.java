package embrick.core.plan;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;

/** The plan of a small picture for the screen: the whole picture in sRGB, its longest side as asked or as it is. */
public final class SmallPlan {
    private static final int QUALITY = 88;
    /** See-through parts show the stage, ISO 3664's neutral surround. */
    private static final PaperColour STAGE = PaperColour.parse("#B8B8B8");

    private SmallPlan() {}

    /**
     * @param opened the facts of the raster it is made from
     * @param longestSide of the small picture, in pixels
     */
    public static Planning of(SourceFacts opened, int longestSide) {
        Ticket ticket = Ticket.plain(new Size.OwnShape(), Resolution.perInch(96), new FileFormat.Jpeg(QUALITY))
                .withFit(new Fit.Fill(STAGE));
        return switch (Planner.plan(opened, ticket, Framing.centred())) {
            case Planning.Refused refused -> refused;
            case Planning.Ready ready -> new Planning.Ready(reduced(ready.plan(), longestSide), List.of());
        };
    }

    private static Plan reduced(Plan whole, int longestSide) {
        PixelSize size = whole.sheet();
        double scale = Math.max(1, (double) Math.max(size.width(), size.height()) / longestSide);
        PixelSize small = new PixelSize(Math.max(1, (int) Math.round(size.width() / scale)), Math.max(1, (int)
                Math.round(size.height() / scale)));
        double even = Math.max((double) size.width() / small.width(), (double) size.height() / small.height());
        Window window = new Window(whole.window().seenAs(), small, size.width() / 2.0, size.height() / 2.0, even, 0);
        return whole.onSheet(small, whole.extension(), Optional.empty(), PixelRect.whole(small), window)
                .withResampling(Resampling.by(Method.LANCZOS3));
    }
}
