package embrick.core.edge;

import embrick.core.units.PixelSize;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What goes round a sheet.
 *
 * @param bands on each side of the sheet
 * @param fill of what of the bands the picture itself does not cover
 * @param rim what the sheet's own rim is
 * @param marks strokes in pixels of the total, drawn last
 */
public record Extension(
        Bands bands,
        BandFill fill,
        Rim rim,
        Optional<KeyLine> keyLine,
        Optional<CaptionLine> caption,
        List<Stroke> marks) {
    public Extension {
        Objects.requireNonNull(bands);
        Objects.requireNonNull(fill);
        Objects.requireNonNull(rim);
        Objects.requireNonNull(keyLine);
        Objects.requireNonNull(caption);
        marks = List.copyOf(marks);
    }

    /** Bands alone. */
    public Extension(Bands bands, BandFill fill, Rim rim) {
        this(bands, fill, rim, Optional.empty(), Optional.empty(), List.of());
    }

    /** Nothing: the sheet is the total, and cut at its rim. */
    public static Extension none() {
        return new Extension(Bands.NONE, new BandFill.Mirror(), new Rim.Trimmed(0));
    }

    public boolean isNone() {
        return bands.isNone() && marks.isEmpty();
    }

    public PixelSize around(PixelSize sheet) {
        return bands.around(sheet);
    }

    public Extension withMarks(List<Stroke> others) {
        return new Extension(bands, fill, rim, keyLine, caption, others);
    }
}
