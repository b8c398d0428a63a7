package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.colour.Intent;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A see-through picture, sharpened, for inks: the paper under it is the paper beside it, to the last bit. */
class SeeThroughInksTest {
    @TempDir
    Path folder;

    @Test
    void thePaperHasNoSeamWherePicturesAreSeeThrough() throws IOException {
        Path file = folder.resolve("cutout.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageDraw
                im = Image.new('RGBA', (600, 400), (200, 40, 30, 0))
                ImageDraw.Draw(im).ellipse((200, 100, 400, 300), fill=(200, 40, 30, 255))
                im.save(sys.argv[1])
                """, file);
        for (Rendering rendering : List.of(
                Rendering.RELATIVE_PLAIN,
                Rendering.RELATIVE_COMPENSATED,
                new Rendering(Intent.PERCEPTUAL, Rendering.BlackPoint.PLAIN))) {
            Ticket ticket = Pieces.ticket("6 in", "5 in", 100, new FileFormat.Tiff(FileFormat.Packing.PLAIN))
                    .withFit(new Fit.Inside(
                            PaperColour.parse("#D8C8A0"), Anchor.MIDDLE, Length.inches("0.5"), Fit.TrimMarks.NONE))
                    .withSharpening(new Sharpening.ForPaper(PaperKind.LUSTRE))
                    .withColour(new OutputColour.Convert(
                            new ProfileRef.Icc(ShippedProfile.LUSTRE_CMYK.digest(), ColourModel.CMYK), rendering));
            try (OpenedPicture opened = Pieces.FORMATS.open(file)) {
                Plan plan = Pieces.plan(opened.facts(), ticket, Framing.centred());
                Print print = Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles());
                float[] all = new float[Math.toIntExact(print.size().pixels() * 4)];
                print.render(PixelRect.whole(print.size()), all);
                int beside = pixel(plan, 5, 5);
                int under = pixel(plan, plan.picture().x() + 20, plan.picture().y() + 20);
                int onIt = pixel(plan, plan.total().width() / 2, plan.total().height() / 2);
                for (int c = 0; c < 4; c++) {
                    assertThat(all[under + c]).as("ink %d, %s", c, rendering).isEqualTo(all[beside + c]);
                }
                assertThat(all[onIt + 1]).isGreaterThan(all[beside + 1] + 0.3f);
            }
        }
    }

    private static int pixel(Plan plan, int x, int y) {
        return (y * plan.total().width() + x) * 4;
    }
}
