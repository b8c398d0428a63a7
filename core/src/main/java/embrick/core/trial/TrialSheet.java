package embrick.core.trial;

import java.util.ArrayList;
import java.util.List;

/**
 * Where crops lie on the sheets of a trial strip: row by row, each with room for words beneath it. All is millimetres, from a
 * sheet's left and top.
 *
 * @param width of the sheet
 * @param height of the sheet
 */
public record TrialSheet(double width, double height) {
    /** Nothing is printed nearer to the rim. Common practice, no source. */
    private static final double MARGIN = 8;

    private static final double GAP = 5;

    /** For a line of words under each crop. */
    static final double WORDS = 5;

    /** A crop's place on one of the sheets. */
    public record Cell(int sheet, double x, double y) {}

    public TrialSheet {
        if (!(width > 2 * MARGIN) || !(height > 2 * MARGIN)) {
            throw new IllegalArgumentException(
                    "sheet: expected more than its margins, got " + width + " × " + height + " mm");
        }
    }

    /** Whether a crop of this size fits at all. */
    public boolean fits(double cropWidth, double cropHeight) {
        return columns(cropWidth) > 0 && rows(cropHeight) > 0;
    }

    private int columns(double cropWidth) {
        return (int) Math.floor((width - 2 * MARGIN + GAP + 1e-9) / (cropWidth + GAP));
    }

    private int rows(double cropHeight) {
        return (int) Math.floor((height - 2 * MARGIN + GAP + 1e-9) / (cropHeight + WORDS + GAP));
    }

    /**
     * One place's settings stay beside one another: a row that has no room for all of them is followed by another.
     *
     * @param places how often the settings are repeated
     * @throws IllegalArgumentException if a crop does not fit
     */
    public List<Cell> cells(double cropWidth, double cropHeight, int settings, int places) {
        if (!fits(cropWidth, cropHeight)) {
            throw new IllegalArgumentException("crop: expected one that fits " + width + " × " + height + " mm, got "
                    + cropWidth + " × " + cropHeight);
        }
        int across = Math.min(columns(cropWidth), settings);
        int rowsOfPlace = (settings + across - 1) / across;
        int down = rows(cropHeight);
        List<Cell> cells = new ArrayList<>();
        for (int place = 0; place < places; place++) {
            for (int setting = 0; setting < settings; setting++) {
                int row = place * rowsOfPlace + setting / across;
                cells.add(new Cell(
                        row / down,
                        MARGIN + setting % across * (cropWidth + GAP),
                        MARGIN + row % down * (cropHeight + WORDS + GAP)));
            }
        }
        return cells;
    }
}
