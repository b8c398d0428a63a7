package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.MeasuredWords;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.print.Print;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Mark.Place;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Marks as they come out: light on dark, dark on light, the same for every part of the output. */
class MarkedPicturesTest {
    private static final Prints PRINTS = new Prints(Pieces.FORMATS.profiles());
    private static final int WIDTH = 600;
    private static final int HEIGHT = 400;

    @TempDir
    Path folder;

    /** Black above, white below. */
    private Path drawn() {
        Path original = folder.resolve("halves.png");
        Outside.python("""
                import sys
                from PIL import Image
                im = Image.new('RGB', (600, 400), (10, 10, 10)); im.paste((245, 245, 245), (0, 200, 600, 400)); im.save(sys.argv[1])
                """, original);
        return original;
    }

    private static Plan plan(OpenedPicture opened, Place place, int size, int strength) {
        Ticket ticket = Ticket.plain(new Size.OwnShape(), Resolution.perInch(72), new FileFormat.Png())
                .withMark(Optional.of(new Mark(new Mark.Content.Words("© Saltmere"), place, size, strength)));
        MeasuredWords words =
                new MeasuredWords(Optional.empty(), Optional.of(PRINTS.font().measured("© Saltmere")));
        return ((Planning.Ready) Planner.plan(opened.facts(), ticket, Framing.centred(), words)).plan();
    }

    private static float[] whole(Print print) {
        float[] samples = new float[WIDTH * HEIGHT * 3];
        print.render(new PixelRect(0, 0, WIDTH, HEIGHT), samples);
        return samples;
    }

    private static float[] extremes(float[] samples, int fromRow, int toRow) {
        float least = 1;
        float most = 0;
        for (int i = fromRow * WIDTH * 3; i < toRow * WIDTH * 3; i++) {
            least = Math.min(least, samples[i]);
            most = Math.max(most, samples[i]);
        }
        return new float[] {least, most};
    }

    @Test
    void onDarkItIsLightAndOnLightItIsDarkByItsStrength() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(drawn())) {
            float dark = 10 / 255f;
            float light = 245 / 255f;
            float[] above = extremes(whole(PRINTS.print(plan(opened, Place.TOP_LEFT, 8, 60), opened.raster())), 0, 200);
            assertThat(above[0]).isCloseTo(dark, within(1e-6f));
            assertThat(above[1]).isCloseTo(dark * 0.4f + 0.6f, within(1e-5f));
            float[] below =
                    extremes(whole(PRINTS.print(plan(opened, Place.BOTTOM_RIGHT, 8, 60), opened.raster())), 200, 400);
            assertThat(below[0]).isCloseTo(light * 0.4f, within(1e-5f));
            assertThat(below[1]).isCloseTo(light, within(1e-6f));
        }
    }

    @Test
    void anyPartHasThePixelsOfTheWhole() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(drawn())) {
            for (Place place : new Place[] {Place.ACROSS, Place.TILED, Place.BOTTOM}) {
                Plan plan = plan(opened, place, 7, 35);
                float[] whole = whole(PRINTS.print(plan, opened.raster()));
                PixelRect part = new PixelRect(211, 97, 260, 203);
                float[] samples = new float[part.width() * part.height() * 3];
                PRINTS.print(plan, opened.raster()).another().render(part, samples);
                for (int y = 0; y < part.height(); y++) {
                    for (int x = 0; x < part.width() * 3; x++) {
                        assertThat(samples[y * part.width() * 3 + x])
                                .isEqualTo(whole[((y + part.y()) * WIDTH + part.x()) * 3 + x]);
                    }
                }
            }
        }
    }

    /** Tiled, no sixth of the picture is without it. */
    @Test
    void tiledItIsEverywhere() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(drawn())) {
            float[] samples = whole(PRINTS.print(plan(opened, Place.TILED, 5, 50), opened.raster()));
            for (int part = 0; part < 6; part++) {
                int changed = 0;
                for (int y = part / 3 * 200; y < part / 3 * 200 + 200; y++) {
                    for (int x = part % 3 * 200; x < part % 3 * 200 + 200; x++) {
                        float plain = (y < 200 ? 10 : 245) / 255f;
                        changed += Math.abs(samples[(y * WIDTH + x) * 3] - plain) < 1e-3 ? 0 : 1;
                    }
                }
                assertThat(changed).as("part %d", part).isGreaterThan(300);
            }
        }
    }

    /** A ring of 200 px with a see-through middle, drawn 40 px high: its middle stays free, its rim covers. */
    @Test
    void aFigureCoversByWhatIsNotSeeThrough() throws IOException {
        Path ring = folder.resolve("ring.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageDraw
                im = Image.new('RGBA', (200, 200), (0, 0, 0, 0)); ImageDraw.Draw(im).rectangle((0, 0, 199, 199), outline=(255, 0, 0, 255), width=50)
                im.save(sys.argv[1])
                """, ring);
        byte[] png = Files.readAllBytes(ring);
        Prints prints = new Prints(Pieces.FORMATS.profiles(), _ -> png);
        try (OpenedPicture opened = Pieces.FORMATS.open(drawn())) {
            Mark mark = new Mark(
                    new Mark.Content.Stencil("d".repeat(64), new PixelSize(200, 200)), Place.TOP_LEFT, 10, 100);
            Ticket ticket = Ticket.plain(new Size.OwnShape(), Resolution.perInch(72), new FileFormat.Png())
                    .withMark(Optional.of(mark));
            Plan plan = ((Planning.Ready) Planner.plan(opened.facts(), ticket, Framing.centred(), MeasuredWords.NONE))
                    .plan();
            float[] samples = whole(prints.print(plan, opened.raster()));
            // 12 px of margin, 40 px of figure, its rim 10 px wide.
            assertThat(samples[(17 * WIDTH + 32) * 3]).isEqualTo(1);
            assertThat(samples[(32 * WIDTH + 17) * 3 + 1]).isEqualTo(1);
            assertThat(samples[(32 * WIDTH + 32) * 3]).isCloseTo(10 / 255f, within(1e-6f));
            assertThat(samples[(8 * WIDTH + 8) * 3]).isCloseTo(10 / 255f, within(1e-6f));
        }
    }
}
