package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import embrick.core.units.PixelSize;

/**
 * How well what was grown goes with the picture, in square cells over the area.
 *
 * @param columns of cells, {@code rows} likewise
 * @param values row-major: 0 where nothing was grown, else 1 (not like it at all) to 255 (as like as the picture is to itself)
 */
public record LikenessMap(int columns, int rows, byte[] values) {
    /** Side of a cell in pixels of the area. */
    public static final int CELL = 16;

    static LikenessMap empty(PixelSize area) {
        int columns = (area.width() + CELL - 1) / CELL;
        int rows = (area.height() + CELL - 1) / CELL;
        return new LikenessMap(columns, rows, new byte[Math.multiplyExact(columns, rows)]);
    }

    /** The mean over all that was grown, 0 to 1. */
    public double mean() {
        long sum = 0;
        int count = 0;
        for (byte value : values) {
            if (value != 0) {
                sum += value & 0xFF;
                count++;
            }
        }
        return count == 0 ? 1 : sum / 255.0 / count;
    }

    /** Share of what was grown that is less like the picture than that, 0 to 1. */
    public double shareBelow(double likeness) {
        int below = 0;
        int count = 0;
        for (byte value : values) {
            if (value != 0) {
                count++;
                below += (value & 0xFF) < likeness * 255 ? 1 : 0;
            }
        }
        return count == 0 ? 0 : (double) below / count;
    }

    /**
     * Sets the cells of a part that has been grown.
     *
     * @param windowX where the window that it was grown in lies in the area, {@code windowY} likewise
     */
    void set(PixelRect part, int windowX, int windowY, Growth.Outcome outcome) {
        PixelRect place = outcome.place();
        for (int row = part.y() / CELL; row <= (part.bottom() - 1) / CELL; row++) {
            for (int column = part.x() / CELL; column <= (part.right() - 1) / CELL; column++) {
                int x = Math.clamp(column * CELL + CELL / 2, part.x(), part.right() - 1) - windowX >> outcome.scale();
                int y = Math.clamp(row * CELL + CELL / 2, part.y(), part.bottom() - 1) - windowY >> outcome.scale();
                int i = Math.clamp(x - place.x(), 0, place.width() - 1);
                int j = Math.clamp(y - place.y(), 0, place.height() - 1);
                float likeness = outcome.likeness()[j * place.width() + i];
                if (likeness > 0) {
                    values[row * columns + column] = (byte) Math.clamp(Math.round(likeness * 255), 1, 255);
                }
            }
        }
    }
}
