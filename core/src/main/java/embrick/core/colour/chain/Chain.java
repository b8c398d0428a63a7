package embrick.core.colour.chain;

import embrick.core.colour.Transform;
import java.util.ArrayList;
import java.util.List;

/**
 * Steps one after the other, a few pixels at a time so that all of them stay in the nearest cache.
 *
 * <p>Nothing is rounded between steps, and no grid stands in for the whole: a conversion of tables is as exact as the
 * tables are.
 */
public final class Chain implements Transform {
    private final List<Step> firstSteps;
    private final Step last;

    /**
     * @param steps one or more, each taking what the one before gives; matrices that meet are made one
     */
    public Chain(List<Step> steps) {
        List<Step> joined = joined(steps);
        for (int i = 1; i < joined.size(); i++) {
            int given = joined.get(i - 1).channelsOut();
            int taken = joined.get(i).channelsIn();
            if (given != taken) {
                throw new IllegalArgumentException("step " + i + ": expected " + given + " channels, got " + taken);
            }
        }
        this.firstSteps = joined.subList(0, joined.size() - 1);
        this.last = joined.getLast();
    }

    private static List<Step> joined(List<Step> steps) {
        List<Step> joined = new ArrayList<>();
        for (Step step : steps) {
            if (step instanceof Affine after && !joined.isEmpty() && joined.getLast() instanceof Affine before) {
                joined.set(joined.size() - 1, before.then(after));
            } else {
                joined.add(step);
            }
        }
        if (joined.isEmpty()) {
            throw new IllegalArgumentException("steps: expected one or more, got none");
        }
        return List.copyOf(joined);
    }

    public int channelsIn() {
        return (firstSteps.isEmpty() ? last : firstSteps.getFirst()).channelsIn();
    }

    public int channelsOut() {
        return last.channelsOut();
    }

    @Override
    public void apply(float[] in, int from, float[] out, int at, int pixels) {
        int taken = channelsIn();
        int given = channelsOut();
        if (in.length - from < (long) taken * pixels || out.length - at < (long) given * pixels) {
            throw new IllegalArgumentException(
                    "arrays: expected " + pixels + " pixels, got " + in.length + " and " + out.length + " samples");
        }
        Block now = new Block();
        Block next = new Block();
        for (int done = 0; done < pixels; done += Block.ROW) {
            int count = Math.min(Block.ROW, pixels - done);
            now.take(in, from + done * taken, taken, count);
            for (Step step : firstSteps) {
                step.apply(now, next, count);
                Block swap = now;
                now = next;
                next = swap;
            }
            if (last instanceof Table table) {
                table.mix(now, next, count);
                next.giveMixed(out, at + done * given, given, count);
            } else {
                last.apply(now, next, count);
                next.give(out, at + done * given, given, count);
            }
        }
    }
}
