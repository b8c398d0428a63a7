package embrick.formats.metadata;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Kept;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.formats.Pieces;
import embrick.formats.Retagging;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What exiftool has written into originals, and what it finds in their pieces. */
class CarriedMetadataTest {
    private static final Path ARGUMENTS = Path.of("original.args");

    @TempDir
    static Path drawn;

    @TempDir
    Path folder;

    private Path original;

    @BeforeEach
    void copyOriginal() throws IOException {
        original = Files.copy(drawn.resolve("original.jpg"), folder.resolve("original.jpg"));
    }

    @BeforeAll
    static void drawOriginal() throws IOException {
        Path original = drawn.resolve("original.jpg");
        Outside.python("""
                from PIL import Image
                import sys
                Image.radial_gradient('L').convert('RGB').resize((600, 480)).save(sys.argv[1], quality=92)
                """, original);
        // One field a line; the words are UTF-8.
        Files.writeString(drawn.resolve(ARGUMENTS), """
                -charset
                iptc=UTF8
                -Make=Paraglide
                -Model=K 40
                -IFD0:Artist=Ada Blåfjell
                -IFD0:Copyright=© 2026 Ada Blåfjell
                -IFD0:ImageDescription=Kites over the Straße
                -ExifIFD:FNumber=8
                -ExifIFD:DateTimeOriginal=2026:08:14 16:20:05
                -ExifIFD:SerialNumber=K40-7781
                -ExifIFD:LensSerialNumber=L-2290
                -ExifIFD:CompressedBitsPerPixel=4
                -GPSLatitude=54.5
                -GPSLatitudeRef=N
                -GPSLongitude=8.25
                -GPSLongitudeRef=E
                -XMP-dc:Title=Windrose, evening
                -XMP-dc:Subject=kite
                -XMP-dc:Subject=sea
                -XMP-iptcCore:CreatorWorkEmail=ada@example.org
                -XMP-photoshop:City=Sandhaven
                -XMP-exif:GPSLatitude=54.5
                -XMP-aux:SerialNumber=K40-7781
                -XMP-tiff:ImageWidth=9999
                -XMP-xmp:Rating=4
                -IPTC:Contact=ada@example.org
                -IPTC:City=Sandhaven
                -IPTC:SpecialInstructions=embargo until noon
                """);
        Outside.shell("exiftool -q -overwrite_original -@ \"$1\" \"$2\"", drawn.resolve(ARGUMENTS), original);
    }

    static Stream<FileFormat> formats() {
        return Stream.of(
                new FileFormat.Jpeg(90),
                new FileFormat.Png(),
                new FileFormat.Tiff(FileFormat.Packing.DEFLATE),
                new FileFormat.Webp(Optional.of(85)));
    }

    /** PNG and WebP have no place for IPTC's own records: XMP says the same. */
    private static boolean hasIptc(FileFormat format) {
        return !(format instanceof FileFormat.Png) && !(format instanceof FileFormat.Webp);
    }

    private Path made(Path from, FileFormat format, MetadataChoice choice) throws IOException {
        Path piece = folder.resolve(choice.kept() + "." + format.suffix());
        try (OpenedPicture opened = Pieces.FORMATS.open(from)) {
            Plan plan = Pieces.plan(
                    opened.facts(), Pieces.ticket("2", "2.5", 150, format).withMetadata(choice), Framing.centred());
            try (FileTarget target = FileTarget.create(piece)) {
                Pieces.FORMATS.write(
                        Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles()),
                        Pieces.FORMATS.metadata(from),
                        plan,
                        target,
                        PrintFile.Progress.none());
            }
        }
        assertThat(Pieces.verify(piece).ppi()).isPresent();
        assertThat(Outside.exiftool(piece, "Warning", "Error")).isEmpty();
        return piece;
    }

    private static MetadataChoice kept(Kept kept) {
        return new MetadataChoice(kept, Private.DROPPED, Private.DROPPED, MetadataTexts.NONE);
    }

    @ParameterizedTest
    @MethodSource("formats")
    void byItselfCreditsAndCaptionStayAndNothingElse(FileFormat format) throws IOException {
        String said = Outside.exiftool(made(original, format, MetadataChoice.USUAL), "all");
        assertThat(said)
                .contains("[IFD0] Artist : Ada Blåfjell")
                .contains("[IFD0] Copyright : © 2026 Ada Blåfjell")
                .contains("[IFD0] ImageDescription : Kites over the Straße")
                .contains("[XMP-dc] Creator : Ada Blåfjell")
                .contains("[XMP-dc] Rights : © 2026 Ada Blåfjell")
                .contains("[XMP-dc] Description : Kites over the Straße")
                .contains("[XMP-dc] Title : Windrose, evening")
                .contains("CreatorWorkEmail : ada@example.org")
                .doesNotContain(
                        "GPS",
                        "K40-7781",
                        "L-2290",
                        "Sandhaven",
                        "Paraglide",
                        "FNumber",
                        "Subject",
                        "Rating",
                        "embargo",
                        "9999");
        if (hasIptc(format)) {
            assertThat(said)
                    .contains("[IPTC] By-line : Ada Blåfjell")
                    .contains("[IPTC] CopyrightNotice : © 2026 Ada Blåfjell")
                    .contains("[IPTC] Caption-Abstract : Kites over the Straße")
                    .contains("[IPTC] ObjectName : Windrose, evening")
                    .contains("[IPTC] Contact : ada@example.org");
        }
    }

    @ParameterizedTest
    @MethodSource("formats")
    void allButPlaceAndSerialNumbers(FileFormat format) throws IOException {
        String said = Outside.exiftool(made(original, format, kept(Kept.ALL)), "all");
        assertThat(said)
                .contains("[IFD0] Make : Paraglide")
                .contains("[IFD0] Model : K 40")
                .contains("[ExifIFD] FNumber : 8")
                .contains("[ExifIFD] DateTimeOriginal : 2026:08:14 16:20:05")
                .contains("[XMP-dc] Subject : kite, sea")
                .contains("[XMP-xmp] Rating : 4")
                .doesNotContain("GPS", "K40-7781", "L-2290", "Sandhaven", "CompressedBitsPerPixel", "9999");
        if (hasIptc(format)) {
            assertThat(said).contains("[IPTC] SpecialInstructions : embargo until noon");
        }
    }

    @ParameterizedTest
    @MethodSource("formats")
    void placeAndSerialNumbersStayWhereItIsSaid(FileFormat format) throws IOException {
        MetadataChoice choice = new MetadataChoice(Kept.ALL, Private.KEPT, Private.KEPT, MetadataTexts.NONE);
        assertThat(Outside.exiftool(made(original, format, choice), "all"))
                .contains("[GPS] GPSLatitude : 54.5")
                .contains("[GPS] GPSLongitude : 8.25")
                .contains("[ExifIFD] SerialNumber : K40-7781")
                .contains("[XMP-photoshop] City : Sandhaven");
    }

    @ParameterizedTest
    @MethodSource("formats")
    void creditsAloneAndNothingAtAll(FileFormat format) throws IOException {
        assertThat(Outside.exiftool(made(original, format, kept(Kept.CREDITS)), "all"))
                .contains(
                        "[XMP-dc] Creator : Ada Blåfjell", "[IFD0] Copyright : © 2026 Ada Blåfjell", "ada@example.org")
                .doesNotContain("Kites", "Windrose", "GPS");
        assertThat(Outside.exiftool(made(original, format, kept(Kept.NONE)), "all"))
                .doesNotContain("XMP", "IPTC", "Ada", "Kites", "Paraglide", "GPS");
    }

    @ParameterizedTest
    @MethodSource("formats")
    void ownWordsTakeThePlaceOfTheOriginals(FileFormat format) throws IOException {
        MetadataTexts words = new MetadataTexts(
                Optional.of("Čaj"),
                Optional.empty(),
                List.of("Bo", "Cy"),
                Optional.of("© the archive"),
                List.of("tea"));
        String said = Outside.exiftool(
                made(
                        original,
                        format,
                        new MetadataChoice(Kept.CREDITS_AND_CAPTION, Private.DROPPED, Private.DROPPED, words)),
                "all");
        assertThat(said)
                .contains("[IFD0] Artist : Bo; Cy", "[IFD0] Copyright : © the archive")
                .contains("[XMP-dc] Creator : Bo, Cy", "[XMP-dc] Title : Čaj", "[XMP-dc] Subject : tea")
                .contains("[XMP-dc] Description : Kites over the Straße")
                .doesNotContain("Ada Blåfjell");
    }

    /** The new file's own size, orientation, ppi and colour space, whatever the original's metadata say of them. */
    @Test
    void whatIsOfTheFileIsTrueOfTheNewOne() throws IOException {
        Outside.shell(
                "exiftool -q -overwrite_original -n -ExifIFD:ColorSpace=65535 -ExifIFD:ExifImageWidth=5 -XMP-tiff:Orientation=6"
                        + " -XMP-exif:ExifImageWidth=5 \"$1\"",
                original);
        assertThat(Outside.exiftool(made(original, new FileFormat.Jpeg(90), kept(Kept.ALL)), "all"))
                .contains("[ExifIFD] ExifImageWidth : 375", "[ExifIFD] ExifImageHeight : 300")
                .contains("[ExifIFD] ColorSpace : 1", "[IFD0] XResolution : 150", "[IFD0] Orientation : 1")
                .doesNotContain("XMP-tiff", "ExifImageWidth : 5");
    }

    /** A page says it of the document; its JPEG has it besides. */
    @Test
    void aPageCarriesThem() throws IOException {
        Path page = folder.resolve("page.pdf");
        FileFormat format = new FileFormat.Pdf(new FileFormat.PagePixels.Whole(Depth.EIGHT), FileFormat.PageMarks.NONE);
        try (OpenedPicture opened = Pieces.FORMATS.open(original);
                FileTarget target = FileTarget.create(page)) {
            Plan plan = Pieces.plan(
                    opened.facts(),
                    Pieces.ticket("2", "2.5", 150, format).withMetadata(MetadataChoice.USUAL),
                    Framing.centred());
            Pieces.FORMATS.write(
                    Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles()),
                    Pieces.FORMATS.metadata(original),
                    plan,
                    target,
                    PrintFile.Progress.none());
        }
        assertThat(Outside.exiftool(page, "all"))
                .contains("[XMP-dc] Creator : Ada Blåfjell", "[XMP-dc] Rights : © 2026 Ada Blåfjell")
                .contains("[XMP-dc] Title : Windrose, evening", "CreatorWorkEmail : ada@example.org")
                .doesNotContain("GPS", "K40-7781", "Sandhaven", "Paraglide");
        assertThat(Outside.exiftool(page, "Warning", "Error")).isEmpty();
    }

    /** Its coded pixels stay as they are, and its words are chosen all the same. */
    @Test
    void alsoAPictureThatIsOnlyMarkedAnewCarriesThem() throws IOException {
        Path piece = folder.resolve("marked.jpg");
        Plan plan = Pieces.plan(
                Pieces.FORMATS.inspect(original),
                Pieces.ticket("4", "5", 120, new FileFormat.Jpeg(90)).withMetadata(MetadataChoice.USUAL),
                Framing.centred());
        Retagging retagging = new Retagging(Pieces.FORMATS.profiles());
        assertThat(retagging.suits(original, plan)).isTrue();
        try (FileTarget target = FileTarget.create(piece)) {
            retagging.write(original, Pieces.FORMATS.metadata(original), plan, target);
        }
        assertThat(Outside.exiftool(piece, "all"))
                .contains("[XMP-dc] Title : Windrose, evening", "[IPTC] By-line : Ada Blåfjell")
                .doesNotContain("GPS", "K40-7781");
    }

    /** Words as programs of before Unicode wrote them. */
    @Test
    void latin1IsReadAsSuch() throws IOException {
        Path latin = folder.resolve("latin.jpg");
        Outside.python("""
                from PIL import Image
                import sys
                exif = Image.Exif()
                image = Image.new('RGB', (600, 480), (9, 99, 199))
                exif[315] = 'J\\u00f8rgen'.encode('latin-1')
                image.save(sys.argv[1], exif=exif)
                """, latin);
        Outside.shell("exiftool -q -overwrite_original -charset iptc=Latin -IPTC:Caption-Abstract=Mærsk \"$1\"", latin);
        assertThat(Pieces.FORMATS.metadata(latin).texts())
                .isEqualTo(new MetadataTexts(
                        Optional.empty(), Optional.of("Mærsk"), List.of("Jørgen"), Optional.empty(), List.of()));
    }

    /** 60 kB of XMP, as catalogues write them. */
    @Test
    void aLongPacketGoesOverWhole() throws IOException {
        Files.writeString(
                folder.resolve(ARGUMENTS),
                "-XMP-dc:Subject=" + "w".repeat(100) + "\n" + keywords(540),
                java.nio.charset.StandardCharsets.UTF_8);
        Outside.shell("exiftool -q -overwrite_original -@ \"$1\" \"$2\"", folder.resolve(ARGUMENTS), original);
        Path piece = made(original, new FileFormat.Jpeg(90), kept(Kept.ALL));
        assertThat(Files.size(piece)).isGreaterThan(60_000);
        assertThat(Outside.exiftool(piece, "XMP-dc:Subject")).contains("keyword-539-");
    }

    /** What one JPEG segment cannot hold loses what is least: the words of the picture itself stay. */
    @Test
    void ofAPacketThatIsTooLongTheCreditsStay() throws IOException {
        Files.writeString(folder.resolve(ARGUMENTS), keywords(700), java.nio.charset.StandardCharsets.UTF_8);
        Outside.shell("exiftool -q -overwrite_original -@ \"$1\" \"$2\"", folder.resolve(ARGUMENTS), original);
        assertThat(Outside.exiftool(made(original, new FileFormat.Jpeg(90), kept(Kept.ALL)), "XMP:all"))
                .contains("Title : Windrose, evening", "Rights : © 2026 Ada Blåfjell")
                .doesNotContain("keyword");
    }

    private static String keywords(int count) {
        StringBuilder lines = new StringBuilder();
        for (int i = 0; i < count; i++) {
            lines.append("-XMP-dc:Subject+=keyword-")
                    .append(i)
                    .append("-")
                    .append("k".repeat(76))
                    .append('\n');
        }
        return lines.toString();
    }

    @Test
    void damagedMetadataAreToldAndThePictureIsPrinted() throws IOException {
        byte[] bytes = Files.readAllBytes(original);
        String text = new String(bytes, java.nio.charset.StandardCharsets.ISO_8859_1);
        int packet = text.indexOf("<rdf:RDF");
        bytes[packet] = '%';
        Files.write(original, bytes);
        assertThat(Pieces.FORMATS.metadata(original).isDamaged()).isTrue();
        assertThat(Outside.exiftool(made(original, new FileFormat.Jpeg(90), kept(Kept.ALL)), "all"))
                .contains("[IFD0] Artist : Ada Blåfjell");
    }

    /** A packet that names a file of this machine is not followed there. */
    @Test
    void aDocumentTypeIsNotFollowed() throws IOException {
        Path secret = Files.writeString(folder.resolve("secret.txt"), "not for the picture");
        Path png = folder.resolve("typed.png");
        Outside.python("""
                from PIL import Image, PngImagePlugin
                import sys
                words = PngImagePlugin.PngInfo()
                words.add_itxt('XML:com.adobe.xmp', '<!DOCTYPE x [<!ENTITY e SYSTEM "file://' + sys.argv[2] + '">]>'
                    '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">'
                    '<rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title><rdf:Alt>'
                    '<rdf:li xml:lang="x-default">&e;</rdf:li></rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta>')
                Image.new('RGB', (60, 48)).save(sys.argv[1], pnginfo=words)
                """, png, secret);
        OriginalMetadata read = Pieces.FORMATS.metadata(png);
        assertThat(read.isDamaged()).isTrue();
        assertThat(read.texts().title()).isEmpty();
    }

    /** From each format that can hold them; exiftool has copied them there. */
    @Test
    void theyAreReadFromEveryFormat() throws IOException {
        Path png = folder.resolve("other.png");
        Path tiff = folder.resolve("other.tif");
        Path webp = folder.resolve("other.webp");
        Outside.python("""
                from PIL import Image
                import sys
                image = Image.open(sys.argv[1])
                for name in sys.argv[2:]: image.save(name)
                """, original, png, tiff, webp);
        for (Path file : List.of(png, tiff, webp)) {
            Outside.shell(
                    "exiftool -q -q -overwrite_original -TagsFromFile \"$1\" -all:all -XMP:all \"$2\" 2>/dev/null",
                    original,
                    file);
            OriginalMetadata read = Pieces.FORMATS.metadata(file);
            assertThat(read.isDamaged()).as(file.toString()).isFalse();
            assertThat(read.texts().title()).as(file.toString()).contains("Windrose, evening");
            assertThat(read.texts().creators()).as(file.toString()).containsExactly("Ada Blåfjell");
            assertThat(read.exif().taken()).as(file.toString()).contains("2026-08-14T16:20:05");
        }
    }
}
