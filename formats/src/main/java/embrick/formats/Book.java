package embrick.formats;

import embrick.core.plan.PageLayout;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.pdf.PdfPages;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;

/** Finished pieces as the pages of one PDF; their pixels stay packed as they are. */
public final class Book {
    private final ProfileShelf profiles;
    private final Path scratch;

    /** @param scratch a folder for files that are needed for a moment */
    public Book(ProfileShelf profiles, Path scratch) {
        this.profiles = profiles;
        this.scratch = scratch;
    }

    /** A finished piece and the plan it was made from. */
    public record Page(Path piece, Plan plan) {}

    /** Whether a finished piece can be a page: its pixels are packed as a page packs them. */
    public static boolean takes(FileFormat file) {
        return switch (file) {
            case FileFormat.Jpeg _, FileFormat.Pdf _ -> true;
            case FileFormat.Tiff _, FileFormat.Png _, FileFormat.Webp _, FileFormat.AsItIs _ -> false;
        };
    }

    public void write(String title, List<Page> wanted, OutputStream to) throws IOException {
        try (PdfPages pages = new PdfPages(title, scratch)) {
            for (Page page : wanted) {
                PageLayout layout = PageLayout.of(page.plan());
                PackedPiece.open(page, profiles, (picture, bytes) -> pages.add(layout, picture, bytes));
            }
            pages.save(to);
        }
    }
}
