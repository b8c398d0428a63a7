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

    /** The same output for another thread: one of these serves one thread at a time. */
    PixelRows another();

    /**
     * Rows, about, that are made once more wherever making begins anew instead of going on downwards: parts that different
     * threads make should be many times as long.
     */
    default int rowsMadeAnew() {
        return 0;
    }
}
