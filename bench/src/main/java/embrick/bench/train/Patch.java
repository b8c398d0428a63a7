package embrick.bench.train;

import embrick.bench.train.Pairs.Pair;
import embrick.core.resample.Doubling;
import java.util.List;
import java.util.Random;

/** Draws patches of pairs by lot, turned and mirrored, and puts them through the layers and back. One thread at a time. */
final class Patch {
    /** Parts of a pixel at twice the size. */
    static final int PARTS = 4;

    private static final float MIDDLE = 0.5f;
    /** Patches that hold less than this variance teach little: up to four others are drawn in their place. */
    private static final double EVEN = 2e-4;

    private static final int TRIES = 4;
    /** A pair that Lanczos 3 leaves next to nothing of counts no more than this. */
    private static final double MOST_WEIGHT = 4e5;

    private final List<Pair> pairs;
    private final PatchPass pass;
    private final int radius;
    private final int side;
    private final int asked;
    private final float[] small;
    private final float[] plain;
    private final float[] between;
    private final float[][] lanczos = {Doubling.weights(0), Doubling.weights(1)};

    Patch(List<Pair> pairs, PatchPass pass, int radius) {
        this.pairs = pairs;
        this.pass = pass;
        this.radius = radius;
        this.asked = pass.madeSide();
        this.side = asked + 2 * radius;
        this.small = new float[side * side];
        this.plain = new float[4 * asked * asked];
        this.between = new float[side * 2 * asked];
    }

    PatchPass pass() {
        return pass;
    }

    /** Sums the losses of some patches and, in the pass, what each weight is to blame for. */
    double lossOf(int patches, Random lot) {
        pass.clear();
        double loss = 0;
        for (int i = 0; i < patches; i++) {
            loss += loss(lot);
        }
        return loss;
    }

    private double loss(Random lot) {
        Pair pair = pairs.getFirst();
        int left = 0;
        int top = 0;
        for (int i = 0; i < TRIES; i++) {
            pair = pairs.get(lot.nextInt(pairs.size()));
            left = lot.nextInt(pair.small().width() - side + 1);
            top = lot.nextInt(pair.small().height() - side + 1);
            if (cut(pair.small(), left, top) > EVEN) {
                break;
            }
        }
        int turn = lot.nextInt(8);
        enlarge();
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                pass.patch()[y * pass.apart() + x] = small[turned(turn, x, y, side)] - MIDDLE;
            }
        }
        pass.forward();
        double loss = compare(pair, 2 * (left + radius), 2 * (top + radius), turn);
        pass.backward();
        return loss;
    }

    /** One of the eight ways that a square can lie. */
    private static int turned(int turn, int x, int y, int side) {
        int u = (turn & 1) == 0 ? x : side - 1 - x;
        int v = (turn & 2) == 0 ? y : side - 1 - y;
        return (turn & 4) == 0 ? v * side + u : u * side + v;
    }

    /** @return its variance */
    private double cut(Luminance from, int left, int top) {
        double sum = 0;
        double squares = 0;
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                float tone = from.at(left + x, top + y);
                small[y * side + x] = tone;
                sum += tone;
                squares += tone * tone;
            }
        }
        double mean = sum / small.length;
        return squares / small.length - mean * mean;
    }

    /** What Lanczos 3 makes of the patch's inside. */
    private void enlarge() {
        int width = 2 * asked;
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < width; x++) {
                int first = y * side + radius + x / 2 + Doubling.firstTap(x & 1);
                between[y * width + x] = mixed(small, first, 1, lanczos[x & 1]);
            }
        }
        for (int y = 0; y < width; y++) {
            int first = (radius + y / 2 + Doubling.firstTap(y & 1)) * width;
            for (int x = 0; x < width; x++) {
                plain[y * width + x] = mixed(between, first + x, width, lanczos[y & 1]);
            }
        }
    }

    private static float mixed(float[] from, int at, int apart, float[] weights) {
        float sum = 0;
        for (int t = 0; t < weights.length; t++) {
            sum += weights[t] * from[at + t * apart];
        }
        return sum;
    }

    private double compare(Pair pair, int left, int top, int turn) {
        double weight = Math.min(1 / pair.off(), MOST_WEIGHT);
        int width = 2 * asked;
        double loss = 0;
        for (int y = 0; y < width; y++) {
            for (int x = 0; x < width; x++) {
                int at = turned(turn, x, y, width);
                int part = (y & 1) * 2 + (x & 1);
                float made = pass.made()[(part * asked + y / 2) * pass.apart() + x / 2] + plain[at];
                float off = made - pair.large().at(left + at % width, top + at / width);
                loss += off * off * weight;
                pass.blame(part, x / 2, y / 2, (float) (2 * off * weight / (width * width)));
            }
        }
        return loss / (width * width);
    }
}
