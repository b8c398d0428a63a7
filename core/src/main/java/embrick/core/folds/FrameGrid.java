package embrick.core.folds;

import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Mirror;
import embrick.core.plan.Plan;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;

/**
 * A picture's strong detail as it lies under its sheet: cells along the sheet's own axes, whatever the tilt, the turns and the
 * mirror. One cell is about one pixel of the picture looked at.
 */
final class FrameGrid {
    private final double left;
    private final double top;
    /** Output pixels to a cell. */
    private final double cell;

    private final int width;
    private final int height;
    private final double density;
    private final boolean[] inside;
    /** In whichever direction. */
    private final boolean[] strong;
    /** How much lies before a cell in its row that changes across, and above it in its column that changes downwards. */
    private final int[] before;

    private final int[] above;

    FrameGrid(StrongDetail detail, Plan plan, Framing framing) {
        Window window = plan.window();
        PixelSize seen = plan.seen();
        boolean swaps = framing.quarterTurns() % 2 == 1;
        density = detail.density();
        cell = (double) seen.width() / (swaps ? detail.height() : detail.width()) / window.scale();
        double[] across = new double[4];
        double[] down = new double[4];
        for (int corner = 0; corner < 4; corner++) {
            double x = (corner & 1) == 0 ? 0 : seen.width();
            double y = (corner & 2) == 0 ? 0 : seen.height();
            across[corner] = outputX(window, x, y);
            down[corner] = outputY(window, x, y);
        }
        left = least(across);
        top = least(down);
        width = (int) Math.ceil((most(across) - left) / cell);
        height = (int) Math.ceil((most(down) - top) / cell);
        inside = new boolean[width * height];
        strong = new boolean[width * height];
        before = new int[(width + 1) * height];
        above = new int[width * (height + 1)];
        fill(detail, window, seen, framing);
    }

    private void fill(StrongDetail detail, Window window, PixelSize seen, Framing framing) {
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double u = left + (x + 0.5) * cell;
                double v = top + (y + 0.5) * cell;
                double across = window.seenX(u, v) / seen.width();
                double down = window.seenY(u, v) / seen.height();
                boolean isInside = across >= 0 && across < 1 && down >= 0 && down < 1;
                inside[y * width + x] = isInside;
                boolean isAcross = isInside && isStrong(detail, framing, across, down, true);
                boolean isDown = isInside && isStrong(detail, framing, across, down, false);
                strong[y * width + x] = isAcross || isDown;
                before[y * (width + 1) + x + 1] = before[y * (width + 1) + x] + (isAcross ? 1 : 0);
                above[(y + 1) * width + x] = above[y * width + x] + (isDown ? 1 : 0);
            }
        }
    }

    /**
     * Takes a seen place back to the upright original: turns first, then the mirror. A tilt is small enough to leave what
     * changes from left to right what it was.
     */
    private static boolean isStrong(
            StrongDetail detail, Framing framing, double across, double down, boolean isSeenAcross) {
        double x = across;
        double y = down;
        for (int turn = 0; turn < framing.quarterTurns(); turn++) {
            double turned = x;
            x = y;
            y = 1 - turned;
        }
        if (framing.mirror() == Mirror.MIRRORED) {
            x = 1 - x;
        }
        int column = Math.clamp((long) (x * detail.width()), 0, detail.width() - 1);
        int row = Math.clamp((long) (y * detail.height()), 0, detail.height() - 1);
        boolean isAcross = isSeenAcross == (framing.quarterTurns() % 2 == 0);
        return isAcross ? detail.isStrongAcross(column, row) : detail.isStrongDown(column, row);
    }

    private static double outputX(Window window, double x, double y) {
        double radians = Math.toRadians(window.tiltDegrees());
        double across = x - window.centreX();
        double down = y - window.centreY();
        return (Math.cos(radians) * across - Math.sin(radians) * down) / window.scale()
                + window.output().width() / 2.0;
    }

    private static double outputY(Window window, double x, double y) {
        double radians = Math.toRadians(window.tiltDegrees());
        double across = x - window.centreX();
        double down = y - window.centreY();
        return (Math.sin(radians) * across + Math.cos(radians) * down) / window.scale()
                + window.output().height() / 2.0;
    }

    private static double least(double... of) {
        return Math.min(Math.min(of[0], of[1]), Math.min(of[2], of[3]));
    }

    private static double most(double... of) {
        return Math.max(Math.max(of[0], of[1]), Math.max(of[2], of[3]));
    }

    /** Share of the picture's cells that are strong. */
    double density() {
        return density;
    }

    double cell() {
        return cell;
    }

    /** The column of an output position, {@link #row} its row. */
    double column(double u) {
        return (u - left) / cell;
    }

    double row(double v) {
        return (v - top) / cell;
    }

    boolean isInside(double column, double row) {
        int x = (int) Math.floor(column);
        int y = (int) Math.floor(row);
        return x >= 0 && y >= 0 && x < width && y < height && inside[y * width + x];
    }

    /** Whether detail is strong there, whichever way it runs. */
    boolean isStrong(int column, int row) {
        return column >= 0 && row >= 0 && column < width && row < height && strong[row * width + column];
    }

    /** Strong cells of one row between two columns, what lies beyond the grid being none. */
    int inRow(int row, int from, int end) {
        if (row < 0 || row >= height) {
            return 0;
        }
        int low = Math.clamp(from, 0, width);
        int high = Math.clamp(end, low, width);
        return before[row * (width + 1) + high] - before[row * (width + 1) + low];
    }

    int inColumn(int column, int from, int end) {
        if (column < 0 || column >= width) {
            return 0;
        }
        int low = Math.clamp(from, 0, height);
        int high = Math.clamp(end, low, height);
        return above[high * width + column] - above[low * width + column];
    }
}
