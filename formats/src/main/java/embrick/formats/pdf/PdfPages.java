package embrick.formats.pdf;

import embrick.core.plan.PageLayout;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.PageLayout.Line;
import embrick.core.plan.PageLayout.Meaning;
import embrick.core.plan.Plan;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.CheckedOutputStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.io.MemoryUsageSetting;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDStream;

/**
 * Lays pages, one a piece, and writes them as one file.
 *
 * <p>A picture's bytes go from where they are packed to a temporary file and from there into the document; what is held in
 * memory does not grow with them. Where all pages have one profile the document names it as its output intent, in the form
 * that ISO 15930-7 (6.2.2) asks of PDF/X. No conformance to PDF/X is claimed: that takes a printer's profile.
 */
public final class PdfPages implements AutoCloseable {
    /** 16 bits a channel came with PDF 1.5, output intents as they are written here with 1.6. */
    private static final float VERSION = 1.6f;
    /** A hairline of a quarter of a point. Common practice, no source. */
    private static final String MARK_STYLE = "0 G 0.25 w ";

    private final PDDocument document;

    /** Of all pictures' bytes: the document's id follows from it, so that equal pages make an equal file. */
    private final CRC32 content = new CRC32();

    private final Map<String, COSArray> spaces = new HashMap<>();
    private byte[] profile = new byte[0];
    private Profiles profiles = Profiles.NONE;

    private enum Profiles {
        NONE,
        ONE,
        SEVERAL
    }

    /** How a picture's bytes are packed. */
    public enum Packing {
        /** A whole JPEG file. */
        JPEG,
        /** Rows as PNG filters and packs them. */
        PNG_ROWS
    }

    /** What a picture's bytes are. */
    public record Picture(Packing packing, int width, int height, int channels, int bits, byte[] profile) {}

    /** The picture that a plan makes. */
    public static Picture picture(Packing packing, Plan plan, byte[] profile) {
        return new Picture(
                packing,
                plan.total().width(),
                plan.total().height(),
                plan.colour().to().model().channels(),
                plan.bitsPerChannel(),
                profile);
    }

    /** Gives a picture's bytes. */
    public interface Bytes {
        void writeTo(OutputStream out) throws IOException;
    }

    /**
     * @param title may be empty
     * @param scratch where pictures lie until the document is saved
     */
    public PdfPages(String title, Path scratch) {
        document = new PDDocument(MemoryUsageSetting.setupTempFileOnly().setTempDir(scratch.toFile()).streamCache);
        document.setVersion(VERSION);
        PDDocumentInformation information = document.getDocumentInformation();
        if (!title.isEmpty()) {
            information.setTitle(title);
        }
        information.setProducer("Embrick");
        information.setTrapped("False");
    }

    public void add(PageLayout layout, Picture picture, Bytes bytes) throws IOException {
        COSDictionary page = add(layout.media(), Map.of("Piece", keep(picture, bytes)), content(layout));
        page.setItem(COSName.BLEED_BOX, array(layout.bleed()));
        page.setItem(COSName.TRIM_BOX, array(layout.trim()));
    }

    /** Puts a picture into the document, for pages to draw as often as they like. */
    COSStream keep(Picture picture, Bytes bytes) throws IOException {
        COSStream image = image(picture, bytes);
        note(picture.profile());
        return image;
    }

    /**
     * A page that draws pictures.
     *
     * @param images by the names that its content calls them
     */
    COSDictionary add(Box media, Map<String, COSStream> images, String content) throws IOException {
        PDPage page = new PDPage();
        COSDictionary dictionary = page.getCOSObject();
        dictionary.setItem(COSName.MEDIA_BOX, array(media));
        dictionary.setItem(COSName.CROP_BOX, array(media));
        COSDictionary named = new COSDictionary();
        images.forEach((name, image) -> named.setItem(COSName.getPDFName(name), image));
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.XOBJECT, named);
        dictionary.setItem(COSName.RESOURCES, resources);
        page.setContents(new PDStream(document, new ByteArrayInputStream(content.getBytes(StandardCharsets.US_ASCII))));
        document.addPage(page);
        return dictionary;
    }

    /** Says of the document what an XMP packet says (ISO 32000-1, 14.3.2); not packed, so that any program finds it. */
    public void describe(byte[] xmp) throws IOException {
        COSStream metadata = document.getDocument().createCOSStream();
        metadata.setItem(COSName.TYPE, COSName.METADATA);
        metadata.setItem(COSName.SUBTYPE, COSName.getPDFName("XML"));
        try (OutputStream out = new CheckedOutputStream(metadata.createOutputStream(), content)) {
            out.write(xmp);
        }
        document.getDocumentCatalog().getCOSObject().setItem(COSName.METADATA, metadata);
    }

    private void note(byte[] pageProfile) {
        profiles = switch (profiles) {
            case NONE -> Profiles.ONE;
            case ONE -> Arrays.equals(profile, pageProfile) ? Profiles.ONE : Profiles.SEVERAL;
            case SEVERAL -> Profiles.SEVERAL;
        };
        profile = pageProfile;
    }

    private COSStream image(Picture picture, Bytes bytes) throws IOException {
        COSStream image = document.getDocument().createCOSStream();
        try (OutputStream raw = new CheckedOutputStream(image.createRawOutputStream(), content)) {
            bytes.writeTo(raw);
        }
        image.setItem(COSName.TYPE, COSName.XOBJECT);
        image.setItem(COSName.SUBTYPE, COSName.IMAGE);
        image.setInt(COSName.WIDTH, picture.width());
        image.setInt(COSName.HEIGHT, picture.height());
        image.setInt(COSName.BITS_PER_COMPONENT, picture.bits());
        image.setItem(COSName.COLORSPACE, space(picture));
        switch (picture.packing()) {
            case JPEG -> {
                image.setItem(COSName.FILTER, COSName.DCT_DECODE);
                if (picture.channels() == 4) {
                    image.setItem(COSName.DECODE, turnedRound());
                }
            }
            case PNG_ROWS -> {
                image.setItem(COSName.FILTER, COSName.FLATE_DECODE);
                COSDictionary rows = new COSDictionary();
                rows.setInt(COSName.PREDICTOR, 15);
                rows.setInt(COSName.COLORS, picture.channels());
                rows.setInt(COSName.BITS_PER_COMPONENT, picture.bits());
                rows.setInt(COSName.COLUMNS, picture.width());
                image.setItem(COSName.DECODE_PARMS, rows);
            }
        }
        return image;
    }

    /** Four inks lie upside down in a JPEG with the APP14 marker; a page does not turn them by itself. */
    private static COSArray turnedRound() {
        COSArray decode = new COSArray();
        for (int channel = 0; channel < 4; channel++) {
            decode.add(COSInteger.ONE);
            decode.add(COSInteger.ZERO);
        }
        return decode;
    }

    private static COSName alternate(int channels) {
        return switch (channels) {
            case 1 -> COSName.DEVICEGRAY;
            case 3 -> COSName.DEVICERGB;
            case 4 -> COSName.DEVICECMYK;
            default -> throw new IllegalArgumentException("channels: expected 1, 3 or 4, got " + channels);
        };
    }

    /** A profile is kept once however many pages use it. */
    private COSArray space(Picture picture) throws IOException {
        String key = HexFormat.of().formatHex(picture.profile());
        COSArray known = spaces.get(key);
        if (known != null) {
            return known;
        }
        COSStream icc = document.getDocument().createCOSStream();
        icc.setInt(COSName.N, picture.channels());
        icc.setItem(COSName.ALTERNATE, alternate(picture.channels()));
        try (OutputStream out = icc.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(picture.profile());
        }
        COSArray space = new COSArray();
        space.add(COSName.ICCBASED);
        space.add(icc);
        spaces.put(key, space);
        return space;
    }

    private static COSBase array(Box box) {
        COSArray array = new COSArray();
        for (double side : new double[] {box.left(), box.bottom(), box.right(), box.top()}) {
            array.add(number(side));
        }
        return array;
    }

    private static COSBase number(double points) {
        BigDecimal rounded = BigDecimal.valueOf(points).setScale(5, RoundingMode.HALF_EVEN);
        return rounded.stripTrailingZeros().scale() <= 0
                ? COSInteger.get(rounded.longValueExact())
                : new COSFloat(rounded.floatValue());
    }

    private static String content(PageLayout layout) {
        Box picture = layout.picture();
        StringBuilder content = new StringBuilder("q ")
                .append(text(picture.right() - picture.left()))
                .append(" 0 0 ")
                .append(text(picture.top() - picture.bottom()))
                .append(' ')
                .append(text(picture.left()))
                .append(' ')
                .append(text(picture.bottom()))
                .append(" cm /Piece Do Q\n");
        layout.marks().forEach(line -> content.append(drawn(line)));
        return content.toString();
    }

    /** A mark, as a page's content draws it. */
    static String drawn(Line line) {
        return "q " + MARK_STYLE
                + (line.meaning() == Meaning.FOLD ? "[2 1.5] 0 d " : "")
                + text(line.x1()) + ' ' + text(line.y1()) + " m "
                + text(line.x2()) + ' ' + text(line.y2()) + " l S Q\n";
    }

    /** A number of points, as a page's content writes it. */
    static String text(double points) {
        return BigDecimal.valueOf(points)
                .setScale(5, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** Writes all pages. The stream stays open. */
    public void save(OutputStream to) throws IOException {
        if (profiles == Profiles.ONE) {
            document.getDocumentCatalog().getCOSObject().setItem(COSName.OUTPUT_INTENTS, outputIntents());
        }
        // By itself it would be made from the clock, and a page that is made twice be two files.
        document.setDocumentId(content.getValue());
        document.save(to, CompressParameters.NO_COMPRESSION);
    }

    private COSArray outputIntents() {
        COSDictionary intent = new COSDictionary();
        intent.setItem(COSName.TYPE, COSName.OUTPUT_INTENT);
        intent.setItem(COSName.S, COSName.getPDFName("GTS_PDFX"));
        // No registered condition: then the profile itself has to be there (ISO 15930-7, 6.2.2).
        intent.setItem(COSName.OUTPUT_CONDITION_IDENTIFIER, new COSString("Custom"));
        intent.setItem(COSName.INFO, new COSString("The profile of the pieces"));
        intent.setItem(
                COSName.DEST_OUTPUT_PROFILE, spaces.values().iterator().next().get(1));
        COSArray intents = new COSArray();
        intents.add(intent);
        return intents;
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
