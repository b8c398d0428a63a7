package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Strip;
import embrick.core.units.PixelSize;

/** A rectangle of a print, as if it were a sheet of its own: the very pixels that the whole has there. */
public final class PrintPart implements PixelRows {
    private final Print print;
    private final PixelRect part;
    private float[] strip = new float[0];

    /** @throws IllegalArgumentException if the part leaves the sheet */
    public PrintPart(Print print, PixelRect part) {
        if (!part.isInside(print.size())) {
            throw new IllegalArgumentException("part: expected inside " + print.size() + ", got " + part);
        }
        this.print = print;
        this.part = part;
    }

    @Override
    public PixelSize size() {
        return new PixelSize(part.width(), part.height());
    }

    @Override
    public int channels() {
        return print.channels();
    }

    @Override
    public int bitsPerChannel() {
        return print.bitsPerChannel();
    }

    @Override
    public Strip rows(int y, int rows) {
        int needed = Math.multiplyExact(Math.multiplyExact(rows, part.width()), channels());
        if (strip.length < needed) {
            strip = new float[needed];
        }
        print.render(new PixelRect(part.x(), part.y() + y, part.width(), rows), strip);
        return new Strip(y, rows, part.width(), channels(), strip);
    }

    @Override
    public PrintPart another() {
        return new PrintPart(print.another(), part);
    }

    @Override
    public int rowsMadeAnew() {
        return print.rowsMadeAnew();
    }
}
