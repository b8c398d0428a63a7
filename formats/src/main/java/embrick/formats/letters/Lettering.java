package embrick.formats.letters;

import embrick.core.edge.CaptionLine;
import embrick.core.edge.CaptionRenderer;
import embrick.core.plan.CaptionText;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Words set in the first {@link Typeface} that has each letter. Their outlines are filled by the JDK's own rasteriser, so no
 * display is needed. Letters stand one behind the other from left to right; kerning is left out.
 */
public final class Lettering implements CaptionRenderer {
    /** Words in one typeface. */
    public record Run(Typeface typeface, String text) {}

    private static Optional<Typeface> typeface(int character) {
        return Arrays.stream(Typeface.values())
                .filter(one -> one.has(character))
                .findFirst();
    }

    /** Words with their length, and the characters among them that no typeface has. */
    public CaptionText measured(String text) {
        double ems = 0;
        StringBuilder missing = new StringBuilder();
        for (int character : text.codePoints().toArray()) {
            Optional<Typeface> typeface = typeface(character);
            if (typeface.isEmpty()) {
                missing.appendCodePoint(character);
            }
            ems += typeface.orElse(Typeface.MAIN).advance(character);
        }
        return new CaptionText(text, ems, missing.toString());
    }

    /** Replaces each character that no typeface has by its code, such as {@code [U+1F41F]}. */
    public String shown(String words) {
        return words.codePoints()
                .mapToObj(character -> typeface(character).isPresent()
                        ? Character.toString(character)
                        : String.format("[U+%04X]", character))
                .collect(StringBuilder::new, StringBuilder::append, StringBuilder::append)
                .toString();
    }

    /** Splits the result of {@link #shown} where the typeface changes. */
    public List<Run> runs(String words) {
        List<Run> runs = new ArrayList<>();
        StringBuilder run = new StringBuilder();
        Typeface last = Typeface.MAIN;
        for (int character : shown(words).codePoints().toArray()) {
            Typeface next = typeface(character).orElse(Typeface.MAIN);
            if (next != last && !run.isEmpty()) {
                runs.add(new Run(last, run.toString()));
                run.setLength(0);
            }
            last = next;
            run.appendCodePoint(character);
        }
        if (!run.isEmpty()) {
            runs.add(new Run(last, run.toString()));
        }
        return runs;
    }

    @Override
    public Coverage draw(CaptionLine line) {
        return drawTurned(line, 0);
    }

    /** A line turned about the middle of its small letters, anticlockwise. */
    public Coverage drawTurned(CaptionLine line, double degrees) {
        double em = line.emPixels();
        double length = measured(line.text()).widthEm() * em;
        Path2D outlines = outlines(line.text());
        outlines.transform(new AffineTransform(em, 0, 0, -em, line.middleX() - length / 2, line.baseline()));
        if (degrees != 0) {
            // Anticlockwise where y goes down.
            outlines.transform(AffineTransform.getRotateInstance(
                    -Math.toRadians(degrees), line.middleX(), line.baseline() - CaptionText.HALF_SMALL_LETTER * em));
        }
        return Filled.of(outlines.getBounds2D(), pen -> pen.fill(outlines));
    }

    /** In ems, y upwards, one letter behind the other from 0. */
    private static Path2D outlines(String text) {
        Path2D all = new Path2D.Double();
        double at = 0;
        for (int character : text.codePoints().toArray()) {
            Typeface typeface = typeface(character).orElse(Typeface.MAIN);
            all.append(
                    AffineTransform.getTranslateInstance(at, 0).createTransformedShape(typeface.outline(character)),
                    false);
            at += typeface.advance(character);
        }
        return all;
    }
}
