package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/**
 * Weighted sums of neighbouring pixels, one pixel in a register of four lanes, with each weight already four times in memory:
 * a tap is one load, one multiplication from memory and one addition.
 */
final class VectorPixels {
    private static final VectorSpecies<Float> PIXEL = FloatVector.SPECIES_128;

    private VectorPixels() {}

    /** Of three channels; the fourth lane carries the next pixel's first channel and is written over. */
    static void ofThree(float[] row, int[] starts, float[] weights, int taps, float[] into, int at, int count) {
        for (int x = 0; x < count; x++) {
            FloatVector sum = FloatVector.zero(PIXEL);
            int from = starts[x];
            int weight = x * taps * 4;
            for (int t = 0; t < taps; t += 4, from += 12, weight += 16) {
                sum = sum.add(tap(row, from, weights, weight));
                sum = sum.add(tap(row, from + 3, weights, weight + 4));
                sum = sum.add(tap(row, from + 6, weights, weight + 8));
                sum = sum.add(tap(row, from + 9, weights, weight + 12));
            }
            sum.intoArray(into, at + x * 3);
        }
    }

    static void ofFour(float[] row, int[] starts, float[] weights, int taps, float[] into, int at, int count) {
        for (int x = 0; x < count; x++) {
            FloatVector sum = FloatVector.zero(PIXEL);
            int from = starts[x];
            int weight = x * taps * 4;
            for (int t = 0; t < taps; t += 4, from += 16, weight += 16) {
                sum = sum.add(tap(row, from, weights, weight));
                sum = sum.add(tap(row, from + 4, weights, weight + 4));
                sum = sum.add(tap(row, from + 8, weights, weight + 8));
                sum = sum.add(tap(row, from + 12, weights, weight + 12));
            }
            sum.intoArray(into, at + x * 4);
        }
    }

    private static FloatVector tap(float[] row, int from, float[] weights, int weight) {
        return FloatVector.fromArray(PIXEL, row, from).mul(FloatVector.fromArray(PIXEL, weights, weight));
    }
}
