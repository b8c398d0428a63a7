package embrick.core.sharpen;

import embrick.core.lanes.Lanes;
import java.util.ArrayList;
import java.util.List;

/**
 * Deconvolution of luminance after Richardson, "Bayesian-based iterative method of image restoration" (1972), and Lucy, "An
 * iterative technique for the rectification of observed distributions" (1974): each round multiplies the estimate by the
 * blurred ratio of what was seen to the blurred estimate. Both blurs are symmetric, so one serves for its own adjoint.
 *
 * <p>Each round sets out from a place ahead of the last estimate, on the way it came (Nesterov 1983; for this method Biggs and
 * Andrews, "Acceleration of iterative image restoration algorithms", 1997, who choose how far from the whole picture; here it
 * depends on the round alone): 12 rounds do the work of some 35.
 *
 * <p>The rounds stand one behind the other and hand rows on as soon as they can be made, so that a picture of any height takes
 * the memory of some hundred rows, and a result depends on a fixed neighbourhood alone.
 *
 * <p>Damping: the change is taken by the share {@code 1 − t² / E}, where E is the energy of the picture's detail near the
 * pixel and t the threshold; none where E is below t². Grain in flat parts is left as it is, rather than drawn up. Embrick's
 * rule, in the way a Wiener filter weighs signal against noise.
 */
final class RichardsonLucy extends EvenReach implements LuminanceFilter {
    /** Below this, a ratio says nothing: a quarter of a step of 8 bits. */
    private static final float DARKEST = 0.001f;
    /** Light beyond white may be needed on the way; the result is clipped once, at the end. */
    private static final float LIGHTEST = 1.5f;
    /** Detail is what a blur of this σ takes away at least, gathered over a neighbourhood of the other. */
    private static final double DETAIL_SIGMA = 1;

    private static final double NEAR_SIGMA = 2;

    private final float energyOfGrain;
    private final int reach;
    private final List<Round> rounds = new ArrayList<>();
    private final Detail detail;

    private int spanX;
    private int columns;
    private int nextRow;
    private int slots;
    private float[] seen = new float[0];
    private float[] estimates = new float[0];

    RichardsonLucy(Deconvolution settings, int width, int height) {
        super(width, height);
        this.energyOfGrain = (float) (settings.threshold() * settings.threshold());
        for (int step = 0; step < settings.steps(); step++) {
            rounds.add(new Round(blur(settings.spread()), blur(settings.spread())));
        }
        this.detail = new Detail(Math.max(DETAIL_SIGMA, Math.min(settings.sigmaPixels(), 4)));
        this.reach = Math.max(settings.steps() * rounds.getFirst().reach(), detail.reach());
    }

    private PlaneBlur blur(Deconvolution.Spread spread) {
        return switch (spread) {
            case Deconvolution.Spread.Gaussian out -> new GaussianBlur(out.sigmaPixels(), width, height);
            case Deconvolution.Spread.Line line -> new LineBlur(line, width, height);
        };
    }

    /** How far a blur reaches: it is the same to all sides. */
    private static int reachOf(PlaneBlur blur) {
        int far = Integer.MAX_VALUE / 2;
        return far - blur.firstRow(far);
    }

    @Override
    int reach() {
        return reach;
    }

    @Override
    public void from(int x, int columnsFed, int y, int rows) {
        spanX = x;
        columns = columnsFed;
        nextRow = y;
        slots = rowsFor(rows) + 1;
        seen = new float[slots * columns];
        estimates = new float[slots * columns];
        Part part = new Part(x, x + columns, y);
        for (Round round : rounds) {
            part = round.begin(part);
        }
        detail.begin(new Part(x, x + columns, y), slots);
    }

    @Override
    public int nextRow() {
        return nextRow;
    }

    @Override
    public void feed(float[] plane, int at) {
        int row = slot(nextRow++);
        for (int i = 0; i < columns; i++) {
            seen[row + i] = Math.max(plane[at + i], DARKEST);
        }
        detail.take(seen, row);
        rounds.getFirst().take(0, seen, row, seen, row);
    }

    private int slot(int y) {
        return y % slots * columns;
    }

    @Override
    public void row(int y, int x, int count, float[] before, float[] into) {
        int from = slot(y) + x - spanX;
        detail.row(y, x, count, into);
        for (int i = 0; i < count; i++) {
            float share = Math.max(0f, 1f - energyOfGrain / Math.max(into[i], 1e-12f));
            into[i] = share * (estimates[from + i] - Math.max(before[i], DARKEST));
        }
    }

    /** Columns of a row, and the first row of which they are known. */
    private record Part(int x, int end, int y) {}

    /** What is left of a part once a blur has taken its reach off, but for where the plane ends. */
    private Part inside(Part part, int by) {
        return new Part(
                part.x() == 0 ? 0 : part.x() + by,
                part.end() == width ? width : part.end() - by,
                part.y() == 0 ? 0 : part.y() + by);
    }

    private final class Round {
        private final PlaneBlur blurred;
        private final PlaneBlur weighed;
        private Part taken;
        private Part ratios;
        private Part made;
        private int nextRatio;
        private int nextMade;
        private int kept;
        private float[] ring = new float[0];
        private float[] before = new float[0];
        private float[] ahead = new float[0];
        private float[] ratio = new float[0];
        private float[] estimate = new float[0];

        Round(PlaneBlur blurred, PlaneBlur weighed) {
            this.blurred = blurred;
            this.weighed = weighed;
        }

        int reach() {
            return reachOf(blurred) + reachOf(weighed);
        }

        Part begin(Part from) {
            taken = from;
            ratios = inside(taken, reachOf(blurred));
            made = inside(ratios, reachOf(weighed));
            blurred.from(taken.x(), taken.end() - taken.x(), taken.y(), 1);
            weighed.from(ratios.x(), ratios.end() - ratios.x(), ratios.y(), 1);
            nextRatio = ratios.y();
            nextMade = made.y();
            kept = reach() + 2;
            ring = new float[kept * (taken.end() - taken.x())];
            before = new float[ring.length];
            ahead = new float[made.end() - made.x() + Lanes.SLACK];
            ratio = new float[ratios.end() - ratios.x() + Lanes.SLACK];
            estimate = new float[made.end() - made.x() + Lanes.SLACK];
            return made;
        }

        private int ringAt(int y) {
            return y % kept * (taken.end() - taken.x());
        }

        /**
         * @param plane where the round sets out from
         * @param reached the last estimate itself
         */
        void take(int round, float[] plane, int at, float[] reached, int reachedAt) {
            System.arraycopy(plane, at, ring, ringAt(blurred.nextRow()), taken.end() - taken.x());
            System.arraycopy(reached, reachedAt, before, ringAt(blurred.nextRow()), taken.end() - taken.x());
            blurred.feed(plane, at);
            while (nextRatio < height && blurred.endRow(nextRatio) <= blurred.nextRow()) {
                makeRatio(nextRatio++);
                while (nextMade < height && weighed.endRow(nextMade) <= weighed.nextRow()) {
                    make(round, nextMade++);
                }
            }
        }

        private void makeRatio(int y) {
            int count = ratios.end() - ratios.x();
            blurred.row(y, ratios.x(), count, ratio);
            int from = slot(y) + ratios.x() - spanX;
            for (int i = 0; i < count; i++) {
                ratio[i] = seen[from + i] / Math.max(ratio[i], DARKEST);
            }
            weighed.feed(ratio, 0);
        }

        private void make(int round, int y) {
            int count = made.end() - made.x();
            weighed.row(y, made.x(), count, estimate);
            int from = ringAt(y) + made.x() - taken.x();
            for (int i = 0; i < count; i++) {
                estimate[i] = Math.min(Math.max(ring[from + i] * estimate[i], DARKEST), LIGHTEST);
            }
            if (round + 1 < rounds.size()) {
                float momentum = (float) round / (round + 3);
                for (int i = 0; i < count; i++) {
                    ahead[i] = Math.min(
                            Math.max(estimate[i] + momentum * (estimate[i] - before[from + i]), DARKEST), LIGHTEST);
                }
                rounds.get(round + 1).take(round + 1, ahead, 0, estimate, 0);
            } else {
                System.arraycopy(estimate, 0, estimates, slot(y) + made.x() - spanX, count);
            }
        }
    }

    /** The energy of what a narrow blur takes away, gathered over a neighbourhood. */
    private final class Detail {
        private final GaussianBlur coarse;
        private final GaussianBlur gathered;
        private Part inner;
        private int next;
        private float[] energy = new float[0];

        Detail(double sigma) {
            coarse = new GaussianBlur(sigma, width, height);
            gathered = new GaussianBlur(NEAR_SIGMA, width, height);
        }

        int reach() {
            return reachOf(coarse) + reachOf(gathered);
        }

        void begin(Part from, int rows) {
            inner = inside(from, reachOf(coarse));
            coarse.from(from.x(), from.end() - from.x(), from.y(), 1);
            gathered.from(inner.x(), inner.end() - inner.x(), inner.y(), rows);
            next = inner.y();
            energy = new float[inner.end() - inner.x() + Lanes.SLACK];
        }

        void take(float[] plane, int at) {
            coarse.feed(plane, at);
            while (next < height && coarse.endRow(next) <= coarse.nextRow()) {
                int count = inner.end() - inner.x();
                coarse.row(next, inner.x(), count, energy);
                int from = slot(next) + inner.x() - spanX;
                for (int i = 0; i < count; i++) {
                    float off = seen[from + i] - energy[i];
                    energy[i] = off * off;
                }
                gathered.feed(energy, 0);
                next++;
            }
        }

        void row(int y, int x, int count, float[] into) {
            gathered.row(y, x, count, into);
        }
    }
}
