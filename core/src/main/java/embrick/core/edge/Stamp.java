package embrick.core.edge;

import java.util.Objects;

/** One drawing of a mark, in pixels of the total. */
public sealed interface Stamp {
    /** The same on a total that is so many times smaller. */
    Stamp reduced(double times);

    /** Letters; their own colour is not used. */
    record Words(CaptionLine line) implements Stamp {
        public Words {
            Objects.requireNonNull(line);
        }

        @Override
        public Stamp reduced(double times) {
            return new Words(new CaptionLine(
                    line.text(),
                    line.emPixels() / times,
                    line.middleX() / times,
                    line.baseline() / times,
                    line.colour()));
        }
    }

    /** A PNG's figure, by the SHA-256 of its bytes. */
    record Figure(String digest, double middleX, double middleY, double width, double height) implements Stamp {
        public Figure {
            Objects.requireNonNull(digest);
        }

        @Override
        public Stamp reduced(double times) {
            return new Figure(digest, middleX / times, middleY / times, width / times, height / times);
        }
    }
}
