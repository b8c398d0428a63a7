package embrick.formats.tiff;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.units.Resolution;
import embrick.formats.Pieces;
import embrick.formats.crew.Crew;
import embrick.formats.exif.ColourTag;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.ifd.Flavour;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The 64-bit layout, which a file takes past 4 GB, made small: libtiff turns it into a TIFF 6.0 with the same samples. */
class BigTiffTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @EnumSource(Packing.class)
    void libtiffReadsIt(Packing packing) throws IOException {
        Path original = folder.resolve("original.png");
        Outside.python(
                "import sys; from PIL import Image; Image.merge('RGB', [Image.effect_noise((300, 200), s) for s in (90, 60, 30)]).save(sys.argv[1])",
                original);
        Path big = folder.resolve("big.tif");
        Path classic = folder.resolve("classic.tif");
        Plan plan;
        try (OpenedPicture opened = Pieces.FORMATS.open(original)) {
            plan = Pieces.plan(
                    opened.facts(), Pieces.ticket("2 in", "3 in", 97, new FileFormat.Tiff(packing)), Framing.centred());
            PrintFile file = new PrintFile(Resolution.perInch(97), MatrixProfile.srgb(), ColourTag.SRGB);
            for (Flavour flavour : Flavour.values()) {
                try (FileTarget target = FileTarget.create(flavour == Flavour.BIG ? big : classic)) {
                    TiffWriter.write(
                            Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles()),
                            file,
                            packing,
                            flavour,
                            target,
                            new Crew(1),
                            PrintFile.Progress.none());
                }
            }
        }
        Path copied = folder.resolve("copied.tif");
        Outside.shell("tiffcp -c none \"$1\" \"$2\"", big, copied);
        String said = Outside.python("""
                import sys
                from PIL import Image
                a, b = Image.open(sys.argv[1]), Image.open(sys.argv[2])
                print(a.size, a.tobytes() == b.tobytes(), a.info['icc_profile'] == b.info['icc_profile'], float(a.info['dpi'][0]))
                """, copied, classic);
        assertThat(said.strip()).isEqualTo("(291, 194) True True 97.0");
        assertThat(Pieces.verify(big).stored()).isEqualTo(plan.sheet());
    }
}
