package embrick.core.print;

import embrick.core.pixels.Strip;
import embrick.core.units.PixelSize;

/** Finished pixels that are given row by row: what a file is written from. */
public interface PixelRows {
    PixelSize size();

    int channels();

    int bitsPerChannel();

    /** Some whole rows; the strip is the giver's and is filled anew by the next call. */
    Strip rows(int y, int rows);
}
