package embrick.formats.crew;

import embrick.core.print.PixelRows;
import embrick.formats.crew.Crew.Maker;
import embrick.formats.crew.Crew.Taker;
import java.io.IOException;
import java.util.function.Function;

/**
 * The rows of an output in parts of some strips each, for a crew.
 *
 * <p>Where a thread begins anew, rows are made once more: parts are many times as long as that. They also stay within so many
 * bytes, for several are held at once. Where both cannot be, one thread makes all.
 */
public final class RowParts {
    /** About as many rows make a part, so that all cores have equally many parts and are done at about the same time. */
    private static final double ROWS = 768;

    private static final int MOST_BYTES = 24 << 20;
    /** Times the rows that are made once more. */
    private static final int WORTH_IT = 8;

    private static final Crew ALONE = new Crew(1);

    private final Crew crew;
    private final PixelRows print;
    private final int strip;
    private final int strips;

    /** @param strip rows of a strip */
    public RowParts(Crew crew, PixelRows print, int strip) {
        int height = print.size().height();
        long rowBytes = (long) print.size().width() * print.channels() * print.bitsPerChannel() / 8;
        long forEachCore = Math.max(1, Math.round(height / (crew.cores() * ROWS)));
        long even = Math.ceilDiv(height, crew.cores() * forEachCore);
        long worth = (long) WORTH_IT * print.rowsMadeAnew();
        long most = Math.max(strip, MOST_BYTES / rowBytes);
        long rows = Math.min(Math.max(even, worth), most);
        this.crew = rows < worth || rows >= height ? ALONE : crew;
        this.print = print;
        this.strip = strip;
        this.strips = Math.max(1, Math.toIntExact(Math.ceilDiv(rows, (long) strip)));
    }

    /** Some whole strips, one under the other. */
    public record Rows(int first, int end) {
        public int count() {
            return end - first;
        }
    }

    private Rows rows(int part) {
        int height = print.size().height();
        long first = (long) part * strips * strip;
        return new Rows((int) first, (int) Math.min(height, first + (long) strips * strip));
    }

    private int parts() {
        return Math.ceilDiv(print.size().height(), strips * strip);
    }

    /** Makes a part from rows of its own thread. */
    public interface Making<T> extends AutoCloseable {
        T make(Rows rows) throws IOException;

        @Override
        default void close() {}
    }

    /** Takes the parts in their order. */
    public interface Taking<T> {
        void take(Rows rows, T made) throws IOException;
    }

    /**
     * Has all parts made and taken.
     *
     * @param makers from the rows of one thread
     */
    public <T> void inOrder(Function<PixelRows, ? extends Making<T>> makers, Taking<T> taking) throws IOException {
        Thread caller = Thread.currentThread();
        Taker<T> taker = (part, made) -> taking.take(rows(part), made);
        crew.inOrder(
                parts(),
                () -> {
                    Making<T> making = makers.apply(Thread.currentThread() == caller ? print : print.another());
                    return new Maker<T>() {
                        @Override
                        public T make(int part) throws IOException {
                            return making.make(rows(part));
                        }

                        @Override
                        public void close() {
                            making.close();
                        }
                    };
                },
                taker);
    }
}
