package embrick.core.nest;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A strip that is filled from its beginning: what is known of it is its skyline, the end of what is laid at each place across
 * (Jylänki, "A thousand ways to pack the bin", 2010, section 3). Used again and again: laying allocates nothing.
 */
final class Skyline {
    private final long width;
    private long[] left;
    private long[] top;
    private int segments;

    /** Where the last item came to lie. */
    private long bestX;

    private long bestY;
    private int bestSegment;
    private boolean bestTurned;
    private long bestEnd;
    private long bestWaste;

    Skyline(long width) {
        this.width = width;
        this.left = new long[64];
        this.top = new long[64];
    }

    /**
     * Lays items in an order, each where it ends earliest, and of such places where it covers the least bare paper.
     *
     * @param order numbers of the items, in which they are laid
     * @param ways how each item is to lie
     * @param limit a length from which on there is no use in going on
     * @param lies filled with where each lies: x, y and 1 if it is turned
     * @return the cost: the length that is used, and a little for a ragged end; {@link Double#MAX_VALUE} beyond the limit
     */
    double lay(Item[] items, int[] order, Way[] ways, double limit, long[] lies) {
        segments = 1;
        left[0] = 0;
        top[0] = 0;
        long length = 0;
        for (int number : order) {
            Item item = items[number];
            bestEnd = Long.MAX_VALUE;
            bestWaste = Long.MAX_VALUE;
            if (ways[number].allows(false)) {
                look(item.width(), item.height(), false);
            }
            if (item.mayTurn() && ways[number].allows(true)) {
                look(item.height(), item.width(), true);
            }
            if (bestEnd == Long.MAX_VALUE) {
                // It does not fit that way: it lies the only way it can.
                look(item.width(), item.height(), false);
                if (bestEnd == Long.MAX_VALUE) {
                    look(item.height(), item.width(), true);
                }
            }
            lies[3 * number] = bestX;
            lies[3 * number + 1] = bestY;
            lies[3 * number + 2] = bestTurned ? 1 : 0;
            length = Math.max(length, bestEnd);
            if (length > limit) {
                return Double.MAX_VALUE;
            }
            raise(bestTurned ? item.height() : item.width());
        }
        return length + RAGGED * meanTop();
    }

    /** Of two strips of a length the one with less paper under its pieces leaves more to change for the better. */
    private static final double RAGGED = 0.05;

    private double meanTop() {
        double sum = 0;
        for (int i = 0; i < segments; i++) {
            sum += (double) top[i] * (right(i) - left[i]);
        }
        return sum / width;
    }

    private long right(int segment) {
        return segment + 1 < segments ? left[segment + 1] : width;
    }

    private void look(long across, long along, boolean turned) {
        for (int i = 0; i < segments && left[i] + across <= width; i++) {
            long x = left[i];
            long end = x + across;
            long y = 0;
            for (int j = i; j < segments && left[j] < end; j++) {
                y = Math.max(y, top[j]);
            }
            if (y + along > bestEnd) {
                continue;
            }
            long waste = 0;
            for (int j = i; j < segments && left[j] < end; j++) {
                waste += (y - top[j]) * (Math.min(end, right(j)) - left[j]);
            }
            if (y + along < bestEnd || waste < bestWaste) {
                bestEnd = y + along;
                bestWaste = waste;
                bestX = x;
                bestY = y;
                bestSegment = i;
                bestTurned = turned;
            }
        }
    }

    /** The skyline with the item that was just laid, from {@link #bestX} on. */
    private void raise(long across) {
        long end = bestX + across;
        int last = bestSegment;
        while (last + 1 < segments && left[last + 1] < end) {
            last++;
        }
        long lastTop = top[last];
        boolean isPartLeft = right(last) > end;
        int kept = isPartLeft ? 1 : 0;
        int removed = last - bestSegment + 1;
        int added = 1 + kept;
        room(segments - removed + added);
        System.arraycopy(left, last + 1, left, bestSegment + added, segments - last - 1);
        System.arraycopy(top, last + 1, top, bestSegment + added, segments - last - 1);
        segments += added - removed;
        left[bestSegment] = bestX;
        top[bestSegment] = bestEnd;
        if (isPartLeft) {
            left[bestSegment + 1] = end;
            top[bestSegment + 1] = lastTop;
        }
        if (bestSegment + 1 < segments && top[bestSegment + 1] == bestEnd) {
            remove(bestSegment + 1);
        }
        if (bestSegment > 0 && top[bestSegment - 1] == bestEnd) {
            remove(bestSegment);
        }
    }

    private void remove(int segment) {
        System.arraycopy(left, segment + 1, left, segment, segments - segment - 1);
        System.arraycopy(top, segment + 1, top, segment, segments - segment - 1);
        segments--;
    }

    private void room(int wanted) {
        if (wanted >= left.length) {
            left = Arrays.copyOf(left, 2 * wanted);
            top = Arrays.copyOf(top, 2 * wanted);
        }
    }

    /** What {@link #lay} has noted, as rectangles. */
    static List<Placed> placed(Item[] items, long[] lies) {
        List<Placed> placed = new ArrayList<>();
        for (int i = 0; i < items.length; i++) {
            placed.add(new Placed(items[i], lies[3 * i], lies[3 * i + 1], lies[3 * i + 2] == 1));
        }
        return placed;
    }
}
