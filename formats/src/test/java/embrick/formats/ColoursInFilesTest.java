package embrick.formats;

import static embrick.formats.Pieces.FORMATS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.check.Expectation;
import embrick.core.colour.Ciede2000;
import embrick.core.colour.ColourPath;
import embrick.core.colour.Intent;
import embrick.core.colour.Lab;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.framing.Framing;
import embrick.core.gamut.GamutCheck;
import embrick.core.pixels.ColourModel;
import embrick.core.plan.Plan;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Verified;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Locale;
import java.util.Scanner;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Colours from an original to its file, against Little CMS's tool, Pillow and exiftool. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ColoursInFilesTest {
    private static final int SIDE = 48;

    private Path folder;
    private Path wide;
    private Path ramp;

    @BeforeAll
    void draw(@TempDir Path made) throws IOException {
        folder = made;
        wide = folder.resolve("wide.png");
        ramp = folder.resolve("ramp.png");
        Path profile = Files.write(folder.resolve("opRGB.icc"), ShippedProfile.OP_RGB.bytes());
        // Strong colours of all hues in opRGB, many outside of sRGB and of any paper; and a ramp of greys.
        Outside.python("""
                import sys, colorsys
                from PIL import Image
                side = int(sys.argv[4]); icc = open(sys.argv[1], 'rb').read()
                p = Image.new('RGB', (side, side))
                for y in range(side):
                    for x in range(side):
                        p.putpixel((x, y), tuple(round(255 * c) for c in colorsys.hsv_to_rgb(x / side, 1 - 0.7 * y / side, 0.3 + 0.7 * y / side)))
                p.save(sys.argv[2], icc_profile=icc)
                g = Image.new('RGB', (256, 4))
                for x in range(256):
                    for y in range(4): g.putpixel((x, y), (x, x, x))
                g.save(sys.argv[3], icc_profile=icc)
                """, profile, wide, ramp, SIDE);
    }

    private static ProfileRef ref(ShippedProfile profile) {
        return new ProfileRef.Icc(profile.digest(), profile.model());
    }

    /** Pixels kept, so that nothing but colours changes. */
    private static Ticket ticket(ShippedProfile profile, Rendering rendering, FileFormat file) {
        return Pieces.ticket("1 in", "1 in", 300, file)
                .withSize(new Size.OwnShape())
                .withColour(new OutputColour.Convert(ref(profile), rendering));
    }

    private static FileFormat deepTiff() {
        return new FileFormat.Tiff(Packing.PLAIN, Depth.SIXTEEN);
    }

    /** What the tool says of each pixel, step by step in doubles: device values 0..1. */
    private double[][] reference(Path original, ShippedProfile to, Rendering rendering) {
        String numbers = Outside.python("""
                import sys
                from PIL import Image
                for r, g, b in Image.open(sys.argv[1]).getdata(): print(r, g, b)
                """, original);
        Path target = folder.resolve(to.name() + ".icc");
        try {
            Files.write(target, to.bytes());
        } catch (IOException failed) {
            throw new java.io.UncheckedIOException(failed);
        }
        String black = rendering.blackPoint() == BlackPoint.COMPENSATED ? "-b" : "-n";
        String said = Outside.transicc(
                numbers,
                "-i" + folder.resolve("opRGB.icc"),
                "-o" + target,
                "-t" + rendering.intent().number(),
                "-c0",
                "-n",
                black);
        int pixels = numbers.split("\\n").length;
        int channels = to.model().channels();
        double full = to.model() == ColourModel.CMYK ? 100 : 255;
        double[][] values = new double[pixels][channels];
        try (Scanner scanner = new Scanner(said).useLocale(Locale.ROOT)) {
            for (double[] pixel : values) {
                for (int channel = 0; channel < channels; channel++) {
                    pixel[channel] = Math.clamp(scanner.nextDouble() / full, 0, 1);
                }
            }
        }
        return values;
    }

    /** A TIFF's counts of 16 bits, 0..1, by our own reader, which other tests hold against libtiff. */
    private static double[][] deep(Path tiff, int channels) throws IOException {
        try (OpenedPicture opened = FORMATS.open(tiff)) {
            int pixels = (int) opened.raster().stored().pixels();
            double[][] values = new double[pixels][channels];
            for (int i = 0; i < pixels * channels; i++) {
                int count = Short.toUnsignedInt(
                        opened.raster().samples().getAtIndex(java.lang.foreign.ValueLayout.JAVA_SHORT, i));
                values[i / channels][i % channels] = count / 65535.0;
            }
            return values;
        }
    }

    private static Lab[] look(ShippedProfile profile, double[][] device) {
        int channels = profile.model().channels();
        float[] values = new float[device.length * channels];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) device[i / channels][i % channels];
        }
        float[] lab = new float[device.length * 3];
        FORMATS.profiles().toLab(ref(profile)).apply(values, 0, lab, 0, device.length);
        return IntStream.range(0, device.length)
                .mapToObj(i -> new Lab(lab[3 * i], lab[3 * i + 1], lab[3 * i + 2]))
                .toArray(Lab[]::new);
    }

    @ParameterizedTest
    @ValueSource(strings = {"LUSTRE_RGB", "COTTON_RAG_RGB", "CANVAS_CMYK"})
    void aWidePictureIsConvertedOnceInFullPrecision(String name) throws IOException {
        ShippedProfile paper = ShippedProfile.valueOf(name);
        for (Rendering rendering :
                new Rendering[] {Rendering.RELATIVE_COMPENSATED, new Rendering(Intent.PERCEPTUAL, BlackPoint.PLAIN)}) {
            Path piece = folder.resolve(name + rendering.intent() + ".tif");
            Pieces.make(wide, ticket(paper, rendering, deepTiff()), Framing.centred(), piece);
            Lab[] ours = look(paper, deep(piece, paper.model().channels()));
            Lab[] theirs = look(paper, reference(wide, paper, rendering));
            assertThat(ours).hasSameSizeAs(theirs);
            for (int i = 0; i < ours.length; i++) {
                assertThat(Ciede2000.between(ours[i], theirs[i]))
                        .as("pixel %d", i)
                        .isLessThan(0.3);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"LUSTRE_RGB", "CANVAS_RGB", "COTTON_RAG_CMYK"})
    void aGreyRampStaysGreyAndInOrder(String name) throws IOException {
        ShippedProfile paper = ShippedProfile.valueOf(name);
        Path piece = folder.resolve("ramp-" + name + ".tif");
        Pieces.make(ramp, ticket(paper, Rendering.RELATIVE_COMPENSATED, deepTiff()), Framing.centred(), piece);
        Lab[] greys = look(paper, deep(piece, paper.model().channels()));
        for (int x = 1; x < 256; x++) {
            assertThat(greys[x].l()).as("grey %d", x).isGreaterThanOrEqualTo(greys[x - 1].l() - 0.005);
            // Near black a paper has only what it has; above, a unit of a* or b* is not seen.
            if (greys[x].l() > greys[0].l() + 5) {
                assertThat(greys[x].chroma()).as("grey %d", x).isLessThan(1);
            }
        }
    }

    @Test
    void ditherNeverStepsByMoreThanOneCount() throws IOException {
        FileFormat eight = new FileFormat.Tiff(Packing.PLAIN, Depth.EIGHT);
        Ticket ticket = ticket(ShippedProfile.LUSTRE_RGB, Rendering.RELATIVE_COMPENSATED, eight);
        Path deep = folder.resolve("exact.tif");
        Path dithered = folder.resolve("dithered.tif");
        Pieces.make(wide, ticket.withFile(deepTiff()), Framing.centred(), deep);
        Pieces.make(wide, ticket.withRounding(Rounding.DITHERED), Framing.centred(), dithered);
        double[][] exact = deep(deep, 3);
        try (OpenedPicture opened = FORMATS.open(dithered)) {
            int whole = 0;
            for (int i = 0; i < exact.length * 3; i++) {
                int count = opened.raster().samples().get(java.lang.foreign.ValueLayout.JAVA_BYTE, i) & 0xff;
                double wanted = exact[i / 3][i % 3] * 255;
                // The exact value was itself rounded to 16 bits, and is let go of the last 512th of a count.
                assertThat(Math.abs(count - wanted)).isLessThan(1.005);
                whole += count == Math.rint(wanted) ? 1 : 0;
            }
            assertThat(whole).isLessThan(exact.length * 3 * 9 / 10);
        }
    }

    @Test
    void filesCarryTheProfilesVeryBytes() throws IOException {
        Ticket paper = ticket(ShippedProfile.LUSTRE_RGB, Rendering.RELATIVE_COMPENSATED, new FileFormat.Jpeg(90));
        FileFormat[] files = {
            new FileFormat.Jpeg(90), new FileFormat.Tiff(Packing.DEFLATE, Depth.EIGHT), new FileFormat.Png(Depth.EIGHT),
        };
        for (FileFormat file : files) {
            Path piece = folder.resolve("carries." + file.suffix());
            Path taken = folder.resolve("taken." + file.suffix() + ".icc");
            Pieces.make(wide, paper.withFile(file), Framing.centred(), piece);
            Outside.shell("exiftool -q -b -ICC_Profile \"$1\" > \"$2\"", piece, taken);
            assertThat(Files.readAllBytes(taken)).isEqualTo(ShippedProfile.LUSTRE_RGB.bytes());
        }
        Path page = folder.resolve("carries.pdf");
        FileFormat pdf = new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(90)), PageMarks.NONE);
        Pieces.make(wide, paper.withFile(pdf), Framing.centred(), page);
        String digest = FORMATS.verify(page, pdf, SampleSums.NONE)
                .facts()
                .colour()
                .profile()
                .orElseThrow()
                .digest();
        assertThat(digest).isEqualTo(ShippedProfile.LUSTRE_RGB.digest());
        Outside.shell("cd \"$1\"; qpdf --qdf --object-streams=disable carries.pdf plain.pdf", folder);
        assertThat(indexOf(Files.readAllBytes(folder.resolve("plain.pdf")), ShippedProfile.LUSTRE_RGB.bytes()))
                .as("the profile's bytes in the page")
                .isNotNegative();
    }

    private static int indexOf(byte[] all, byte[] part) {
        for (int at = 0; at + part.length <= all.length; at++) {
            if (java.util.Arrays.mismatch(all, at, at + part.length, part, 0, part.length) < 0) {
                return at;
            }
        }
        return -1;
    }

    /** Pillow gives the inks of a file as 0 to 255 for none to full. */
    @Test
    void pillowReadsTheInksRight() throws IOException {
        ShippedProfile paper = ShippedProfile.LUSTRE_CMYK;
        double[][] wanted = reference(wide, paper, Rendering.RELATIVE_COMPENSATED);
        Ticket ticket = ticket(paper, Rendering.RELATIVE_COMPENSATED, new FileFormat.Jpeg(100));
        FileFormat[] files = {new FileFormat.Jpeg(100), new FileFormat.Tiff(Packing.DEFLATE, Depth.EIGHT)};
        for (FileFormat file : files) {
            Path piece = folder.resolve("inks." + file.suffix());
            Plan plan = Pieces.make(wide, ticket.withFile(file), Framing.centred(), piece);
            String[] read = Outside.python("""
                            import sys
                            from PIL import Image
                            p = Image.open(sys.argv[1]); print(p.mode, p.size[0], p.size[1], *[round(d) for d in p.info['dpi']])
                            for q in p.getdata(): print(*q)
                            """, piece).split("\\n");
            assertThat(read[0]).isEqualTo("CMYK " + SIDE + " " + SIDE + " 300 300");
            // The coder's own loss at quality 100 is a few counts; TIFF rounds only.
            double near = file instanceof FileFormat.Jpeg ? 6 : 0.7;
            double sum = 0;
            for (int i = 0; i < wanted.length; i++) {
                String[] inks = read[1 + i].split(" ");
                for (int ink = 0; ink < 4; ink++) {
                    double apart = Math.abs(Integer.parseInt(inks[ink]) - wanted[i][ink] * 255);
                    sum += apart;
                    assertThat(apart)
                            .as("pixel %d, ink %d of %s", i, ink, piece)
                            .isLessThan(near);
                }
            }
            assertThat(sum / wanted.length / 4).isLessThan(file instanceof FileFormat.Jpeg ? 1.2 : 0.3);
            Verified verified = FORMATS.verify(piece, file, SampleSums.NONE);
            assertThat(Expectation.of(plan, paper.digest()).differences(verified.facts(), verified.page()))
                    .isEmpty();
        }
    }

    @Test
    void greyLeavesAsGrey() throws IOException {
        ShippedProfile grey = ShippedProfile.GREY_OP_RGB;
        for (FileFormat file : new FileFormat[] {
            new FileFormat.Jpeg(100), new FileFormat.Tiff(Packing.PLAIN, Depth.EIGHT), new FileFormat.Png(Depth.EIGHT)
        }) {
            Path piece = folder.resolve("grey." + file.suffix());
            Pieces.make(ramp, ticket(grey, Rendering.RELATIVE_COMPENSATED, file), Framing.centred(), piece);
            String[] read = Outside.python("""
                            import sys
                            from PIL import Image
                            p = Image.open(sys.argv[1]); print(p.mode)
                            print(*[p.getpixel((x, 1)) for x in range(256)])
                            """, piece).split("\\n");
            assertThat(read[0]).isEqualTo("L");
            String[] greys = read[1].split(" ");
            for (int x = 0; x < 256; x++) {
                // opRGB's greys keep their numbers in grey of its own tone.
                assertThat(Integer.parseInt(greys[x]))
                        .as("%s, grey %d", piece, x)
                        .isCloseTo(x, within(2));
            }
        }
    }

    @Test
    void pagesHoldInksThatPopplerReads() throws IOException {
        FileFormat pdf = new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(95)), PageMarks.NONE);
        Path page = folder.resolve("inks.pdf");
        Plan plan = Pieces.make(
                ramp, ticket(ShippedProfile.LUSTRE_CMYK, Rendering.RELATIVE_COMPENSATED, pdf), Framing.centred(), page);
        Verified verified = FORMATS.verify(page, pdf, SampleSums.NONE);
        assertThat(Expectation.of(plan, ShippedProfile.LUSTRE_CMYK.digest())
                        .differences(verified.facts(), verified.page()))
                .isEmpty();
        String listed = Outside.shell("pdfimages -list \"$1\"", page);
        assertThat(listed).contains("icc").contains(" 4 ");
        // Drawn by poppler the ramp runs from dark to light, not upside down.
        String ends = Outside.shell(
                "cd \"$1\"; pdftoppm -r 300 -gray inks.pdf drawn;"
                        + " pamcut -left 2 -width 1 -top 1 -height 1 drawn*.pgm | pamtopnm -plain | tail -1;"
                        + " pamcut -left 253 -width 1 -top 1 -height 1 drawn*.pgm | pamtopnm -plain | tail -1",
                folder);
        String[] counts = ends.trim().split("\\s+");
        assertThat(Integer.parseInt(counts[0])).isLessThan(80);
        assertThat(Integer.parseInt(counts[1])).isGreaterThan(230);
    }

    /** The rule of CHECKS: relative round trip ΔE00 over 2, here step by step through the tool. */
    @Test
    void whatCannotBePrintedIsMarkedByTheRule() throws IOException {
        ShippedProfile paper = ShippedProfile.COTTON_RAG_RGB;
        double[][] there = reference(wide, paper, Rendering.RELATIVE_PLAIN);
        Lab[] printed = look(paper, there);
        double[][] numbers;
        try (OpenedPicture opened = FORMATS.open(wide)) {
            numbers = new double[SIDE * SIDE][3];
            for (int i = 0; i < SIDE * SIDE * 3; i++) {
                numbers[i / 3][i % 3] =
                        (opened.raster().samples().get(java.lang.foreign.ValueLayout.JAVA_BYTE, i) & 0xff) / 255.0;
            }
        }
        Lab[] seen = look(ShippedProfile.OP_RGB, numbers);
        float[] pixels = new float[numbers.length * 3];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (float) numbers[i / 3][i % 3];
        }
        GamutCheck meter = new GamutCheck(new ColourPath(ref(ShippedProfile.OP_RGB), ref(paper)), FORMATS.profiles());
        BitSet marked = meter.beyond(pixels, 0, numbers.length);
        meter.measure(pixels, 0, numbers.length);
        int beyond = 0;
        for (int i = 0; i < numbers.length; i++) {
            double difference = Ciede2000.between(seen[i], printed[i]);
            // The tool's numbers are printed with four decimals: at the limit itself both are right.
            if (Math.abs(difference - GamutCheck.BEYOND) > 0.02) {
                assertThat(marked.get(i))
                        .as("pixel %d, ΔE00 %.3f", i, difference)
                        .isEqualTo(difference > GamutCheck.BEYOND);
            }
            beyond += marked.get(i) ? 1 : 0;
        }
        assertThat(beyond).isBetween(numbers.length / 10, numbers.length * 9 / 10);
        assertThat(meter.loss().beyond()).isEqualTo(beyond);
        assertThat(meter.loss().share()).isEqualTo((double) beyond / numbers.length);
    }

    @Test
    void contradictionsAreTold() throws IOException {
        Path odd = folder.resolve("odd.jpg");
        Path wrong = folder.resolve("wrong.jpg");
        Path named = folder.resolve("named.jpg");
        Path inks = Files.write(folder.resolve("inks.icc"), ShippedProfile.LUSTRE_CMYK.bytes());
        Outside.python("""
                import sys
                from PIL import Image
                op, inks, odd, wrong, named = sys.argv[1:]
                p = Image.effect_noise((32, 32), 40).convert('RGB')
                p.save(odd, icc_profile=open(op, 'rb').read())
                p.save(wrong, icc_profile=open(inks, 'rb').read())
                p.save(named)
                """, folder.resolve("opRGB.icc"), inks, odd, wrong, named);
        Outside.shell(
                "exiftool -q -overwrite_original -n -ExifIFD:ColorSpace=65535 -InteropIndex=R03 \"$1\";"
                        + " exiftool -q -overwrite_original -n -ExifIFD:ColorSpace=1 \"$2\"",
                named,
                odd);
        assertThat(FORMATS.inspect(odd).colour().remarks())
                .singleElement()
                .satisfies(remark -> assertThat(remark.text())
                        .isEqualTo("its tags say sRGB, its profile is “opRGB IEC 61966-2-5”: the profile is used"));
        assertThat(FORMATS.inspect(wrong).colour()).satisfies(colour -> {
            assertThat(colour.profile()).isEmpty();
            assertThat(colour.remarks().getFirst().text()).contains("is for CMYK pictures, and this one is RGB");
        });
        assertThat(FORMATS.inspect(named).colour().profile().orElseThrow().digest())
                .isEqualTo(ShippedProfile.OP_RGB.digest());
    }
}
