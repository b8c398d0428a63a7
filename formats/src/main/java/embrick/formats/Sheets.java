package embrick.formats;

import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.PageLayout.Line;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.pdf.LaidPages;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;

/** Finished pieces laid together on stretches of a roll or on cut sheets, as one PDF; their pixels stay packed as they are. */
public final class Sheets {
    private final ProfileShelf profiles;
    private final Path scratch;

    /** @param scratch a folder for files that are needed for a moment */
    public Sheets(ProfileShelf profiles, Path scratch) {
        this.profiles = profiles;
        this.scratch = scratch;
    }

    /**
     * A piece on a page.
     *
     * @param box points, where the whole of it lies
     * @param turned a quarter, clockwise
     * @param shown the part that is seen: all of the box, or less of a print that is glued from parts
     */
    public record Laid(Book.Page piece, Box box, boolean turned, Box shown) {}

    /**
     * @param width points
     * @param height points
     * @param cuts marks between pieces
     */
    public record Sheet(double width, double height, List<Laid> laid, List<Line> cuts) {
        public Sheet {
            laid = List.copyOf(laid);
            cuts = List.copyOf(cuts);
        }
    }

    public void write(String title, List<Sheet> sheets, OutputStream to) throws IOException {
        try (LaidPages pages = new LaidPages(title, scratch)) {
            for (Sheet sheet : sheets) {
                for (Laid laid : sheet.laid()) {
                    if (!pages.has(laid.piece().piece())) {
                        PackedPiece.open(
                                laid.piece(),
                                profiles,
                                (picture, bytes) -> pages.keep(laid.piece().piece(), picture, bytes));
                    }
                }
                List<LaidPages.Laid> drawn = sheet.laid().stream()
                        .map(laid -> new LaidPages.Laid(laid.piece().piece(), laid.box(), laid.turned(), laid.shown()))
                        .toList();
                pages.add(sheet.width(), sheet.height(), drawn, sheet.cuts());
            }
            pages.save(to);
        }
    }
}
