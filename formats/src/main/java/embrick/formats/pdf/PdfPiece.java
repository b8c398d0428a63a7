package embrick.formats.pdf;

import embrick.core.check.Expectation.PageBoxes;
import embrick.core.plan.PageLayout.Box;
import embrick.formats.pdf.PdfPages.Packing;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfparser.PDFParser;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A PDF of one piece, opened again: its boxes, its picture's place and bytes, its profile and output intent. */
public final class PdfPiece implements AutoCloseable {
    private final PDDocument document;
    private final WatchedReads reads;
    private final PDPage page;
    private final COSStream image;

    private PdfPiece(PDDocument document, WatchedReads reads) throws IOException {
        this.document = document;
        this.reads = reads;
        if (document.getNumberOfPages() != 1) {
            throw damaged("has " + document.getNumberOfPages() + " pages where one was written");
        }
        this.page = document.getPage(0);
        COSDictionary images = page.getResources().getCOSObject().getCOSDictionary(COSName.XOBJECT);
        List<COSBase> all = new ArrayList<>();
        if (images != null) {
            images.getValues().forEach(value -> all.add(images.getDictionaryObject(images.getKeyForValue(value))));
        }
        if (all.size() != 1 || !(all.getFirst() instanceof COSStream stream)) {
            throw damaged("has " + all.size() + " pictures on its page where one was written");
        }
        this.image = stream;
    }

    /** @throws UnusablePictureException if it is no PDF of one piece */
    public static PdfPiece open(Path file) throws IOException {
        WatchedReads reads = new WatchedReads(file);
        PDDocument document;
        try {
            // Not leniently: a file of ours that needs mending is not as it was written.
            document = new PDFParser(reads).parse(false);
        } catch (IOException | IllegalArgumentException unreadable) {
            reads.close();
            reads.requireNoneFailed();
            throw damaged("does not open as a PDF: " + unreadable.getMessage());
        }
        try {
            return new PdfPiece(document, reads);
        } catch (IOException | RuntimeException failed) {
            document.close();
            reads.requireNoneFailed();
            throw failed;
        }
    }

    /** @throws IOException if any byte that was asked for could not be read: what was said of the piece is worth nothing then */
    public void requireRead() throws IOException {
        reads.requireNoneFailed();
    }

    private static UnusablePictureException damaged(String reason) {
        return UnusablePictureException.broken("damaged", reason);
    }

    public PageBoxes boxes() throws IOException {
        return new PageBoxes(
                box(page.getMediaBox()), box(page.getBleedBox()), box(page.getTrimBox()), placeOfPicture());
    }

    private static Box box(PDRectangle rectangle) {
        return new Box(
                rectangle.getLowerLeftX(),
                rectangle.getLowerLeftY(),
                rectangle.getUpperRightX(),
                rectangle.getUpperRightY());
    }

    /** Of the unit square's matrix that stands before the picture is drawn. */
    private Box placeOfPicture() throws IOException {
        List<COSBase> operands = new ArrayList<>();
        for (Object token : new PDFStreamParser(page).parse()) {
            if (token instanceof COSBase operand) {
                operands.add(operand);
            } else if (token instanceof Operator operator) {
                if (operator.getName().equals("cm")) {
                    double[] matrix = operands.stream()
                            .mapToDouble(operand -> ((COSNumber) operand).floatValue())
                            .toArray();
                    if (matrix.length != 6 || matrix[1] != 0 || matrix[2] != 0) {
                        throw damaged("has its picture turned or sheared");
                    }
                    return new Box(matrix[4], matrix[5], matrix[4] + matrix[0], matrix[5] + matrix[3]);
                }
                operands.clear();
            }
        }
        throw damaged("does not draw its picture");
    }

    public PdfPages.Picture picture() throws IOException {
        COSArray space = image.getCOSArray(COSName.COLORSPACE);
        if (space == null || !(space.getObject(1) instanceof COSStream icc)) {
            throw damaged("has a picture without a profile");
        }
        Packing packing = COSName.DCT_DECODE.equals(image.getCOSName(COSName.FILTER)) ? Packing.JPEG : Packing.PNG_ROWS;
        byte[] profile = bytes(icc);
        requireOutputIntent(profile);
        return new PdfPages.Picture(
                packing,
                image.getInt(COSName.WIDTH),
                image.getInt(COSName.HEIGHT),
                icc.getInt(COSName.N),
                image.getInt(COSName.BITS_PER_COMPONENT),
                profile);
    }

    private void requireOutputIntent(byte[] profile) throws IOException {
        COSArray intents = document.getDocumentCatalog().getCOSObject().getCOSArray(COSName.OUTPUT_INTENTS);
        if (intents == null
                || !(intents.getObject(0) instanceof COSDictionary intent)
                || !(intent.getDictionaryObject(COSName.DEST_OUTPUT_PROFILE) instanceof COSStream named)
                || !Arrays.equals(bytes(named), profile)) {
            throw damaged("does not name its picture's profile as output intent");
        }
    }

    private static byte[] bytes(COSStream stream) throws IOException {
        try (InputStream in = stream.createInputStream()) {
            return in.readAllBytes();
        }
    }

    /** The picture's bytes as they are packed. The caller closes it. */
    public InputStream packed() throws IOException {
        return image.createRawInputStream();
    }

    /** Copies the picture's bytes as they are packed. */
    public void copyPacked(OutputStream to) throws IOException {
        try (InputStream in = packed()) {
            in.transferTo(to);
        }
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
