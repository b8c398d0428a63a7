package embrick.formats;

import embrick.core.ticket.FileFormat;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.pdf.PdfPages;
import embrick.formats.pdf.PdfPages.Packing;
import embrick.formats.pdf.PdfPiece;
import java.io.IOException;
import java.nio.file.Files;

/** A finished piece's picture as it is packed in its file, for pages to hold. */
final class PackedPiece {
    private PackedPiece() {}

    /** What a packed picture is used for while its file is open. */
    interface Use {
        void of(PdfPages.Picture picture, PdfPages.Bytes bytes) throws IOException;
    }

    static void open(Book.Page page, ProfileShelf profiles, Use use) throws IOException {
        if (page.plan().file() instanceof FileFormat.Pdf) {
            try (PdfPiece piece = PdfPiece.open(page.piece())) {
                use.of(piece.picture(), piece::copyPacked);
            }
        } else {
            PdfPages.Picture picture = PdfPages.picture(
                    Packing.JPEG,
                    page.plan(),
                    profiles.bytes(page.plan().colour().to()));
            use.of(picture, out -> Files.copy(page.piece(), out));
        }
    }
}
