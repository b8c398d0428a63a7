package embrick.core.lanes;

import embrick.core.lanes.BoundLanes.Room;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/** A register at a time; what is beyond the length is done with it. Comparing and choosing is quicker than a minimum that minds NaN. */
final class VectorBounds {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private VectorBounds() {}

    private static FloatVector lesser(FloatVector one, FloatVector other) {
        return one.blend(other, other.lt(one));
    }

    private static FloatVector greater(FloatVector one, FloatVector other) {
        return one.blend(other, one.lt(other));
    }

    static void least(float[] rows, int[] starts, float[] out, int at, int length) {
        for (int i = 0; i < length; i += LANES) {
            FloatVector least = FloatVector.fromArray(WIDE, rows, starts[0] + i);
            for (int t = 1; t < starts.length; t++) {
                least = lesser(least, FloatVector.fromArray(WIDE, rows, starts[t] + i));
            }
            least.intoArray(out, at + i);
        }
    }

    static void most(float[] rows, int[] starts, float[] out, int at, int length) {
        for (int i = 0; i < length; i += LANES) {
            FloatVector most = FloatVector.fromArray(WIDE, rows, starts[0] + i);
            for (int t = 1; t < starts.length; t++) {
                most = greater(most, FloatVector.fromArray(WIDE, rows, starts[t] + i));
            }
            most.intoArray(out, at + i);
        }
    }

    static void share(float[] least, float[] most, Room room, float[] share, int from, int length) {
        float rise = 1 / (room.shown() - room.even());
        FloatVector always = FloatVector.broadcast(WIDE, room.least());
        FloatVector one = FloatVector.broadcast(WIDE, 1);
        for (int i = from; i < from + length; i += LANES) {
            FloatVector low = FloatVector.fromArray(WIDE, least, i);
            FloatVector high = FloatVector.fromArray(WIDE, most, i);
            FloatVector range = high.sub(low);
            lesser(greater(range.sub(room.even()).mul(rise), always), one)
                    .mul(room.all())
                    .intoArray(share, i);
            FloatVector beyond = range.mul(room.beyond());
            low.sub(beyond).intoArray(least, i);
            high.add(beyond).intoArray(most, i);
        }
    }

    static void addWithin(
            float[] plain,
            float[] found,
            int at,
            float[] share,
            float[] least,
            float[] most,
            int from,
            float[] out,
            int length) {
        for (int i = 0; i < length; i += LANES) {
            FloatVector before = FloatVector.fromArray(WIDE, plain, i);
            FloatVector more =
                    FloatVector.fromArray(WIDE, found, at + i).mul(FloatVector.fromArray(WIDE, share, from + i));
            FloatVector held = lesser(
                    greater(before.add(more), FloatVector.fromArray(WIDE, least, from + i)),
                    FloatVector.fromArray(WIDE, most, from + i));
            held.sub(before).intoArray(out, i);
        }
    }
}
