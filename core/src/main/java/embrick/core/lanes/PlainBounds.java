package embrick.core.lanes;

import embrick.core.lanes.BoundLanes.Room;

/** One value after the other. */
final class PlainBounds {
    private PlainBounds() {}

    private static float lesser(float one, float other) {
        return other < one ? other : one;
    }

    private static float greater(float one, float other) {
        return other > one ? other : one;
    }

    static void least(float[] rows, int[] starts, float[] out, int at, int length) {
        for (int i = 0; i < length; i++) {
            float least = rows[starts[0] + i];
            for (int t = 1; t < starts.length; t++) {
                least = lesser(least, rows[starts[t] + i]);
            }
            out[at + i] = least;
        }
    }

    static void most(float[] rows, int[] starts, float[] out, int at, int length) {
        for (int i = 0; i < length; i++) {
            float most = rows[starts[0] + i];
            for (int t = 1; t < starts.length; t++) {
                most = greater(most, rows[starts[t] + i]);
            }
            out[at + i] = most;
        }
    }

    static void share(float[] least, float[] most, Room room, float[] share, int from, int length) {
        float rise = 1 / (room.shown() - room.even());
        for (int i = from; i < from + length; i++) {
            float range = most[i] - least[i];
            share[i] = lesser(greater((range - room.even()) * rise, room.least()), 1) * room.all();
            least[i] = least[i] - range * room.beyond();
            most[i] = most[i] + range * room.beyond();
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
        for (int i = 0; i < length; i++) {
            float wanted = plain[i] + found[at + i] * share[from + i];
            out[i] = lesser(greater(wanted, least[from + i]), most[from + i]) - plain[i];
        }
    }
}
