package embrick.core.grown;

import java.util.ArrayDeque;

/**
 * Brings what was grown to meet the rim: what the votes get wrong at the rim's own pixels is made up for beside it, and dies away
 * outward as the texture's own likeness to itself does. A blade of grass is met for many pixels, a grain of sand for none.
 *
 * <p>Method: linear prediction of an error by the texture's autocorrelation, as in G. Matheron's kriging, 1963, with the nearest
 * known pixel alone.
 */
final class RimFit {
    /** How far outward it reaches, in pixels. */
    private static final int REACH = 48;
    /** Half the window that autocorrelation is taken over. */
    private static final int HALF = 8;

    private static final float MOST = 0.999f;

    private final Level level;
    private final Votes votes;

    RimFit(Level level, Votes votes) {
        this.level = level;
        this.votes = votes;
    }

    /** What is known about one rim pixel: its error by channel, its likeness to the next one, and which pixel is which far away. */
    private record Rim(float[] error, float likeness) {}

    private record Place(int at, int steps, Rim rim) {}

    void apply() {
        boolean[] isSeen = new boolean[level.state.length];
        ArrayDeque<Place> next = new ArrayDeque<>();
        for (int y = Level.REACH; y < level.height - Level.REACH; y++) {
            for (int x = Level.REACH; x < level.width - Level.REACH; x++) {
                int at = y * level.width + x;
                if (level.state[at] != Level.BARE) {
                    int step = stepToBare(at);
                    if (step != 0) {
                        next.add(new Place(at, 0, rim(x, y, step)));
                    }
                }
            }
        }
        while (!next.isEmpty()) {
            spread(next.remove(), next, isSeen);
        }
    }

    /** To the bare pixel beside a known one; 0 where there is none. */
    private int stepToBare(int at) {
        for (int step : new int[] {-level.width, level.width, -1, 1}) {
            if (level.state[at + step] == Level.BARE) {
                return step;
            }
        }
        return 0;
    }

    private Rim rim(int x, int y, int step) {
        float[] error = new float[level.channels];
        float all = votes.count(x, y, error);
        int at = y * level.width + x;
        for (int c = 0; c < error.length; c++) {
            error[c] = all == 0 ? 0 : level.samples[at * level.channels + c] - error[c] / all;
        }
        return new Rim(error, likeness(x, y, step));
    }

    /** Autocorrelation of the known pixels round a place, one step along: 0 to 1. */
    private float likeness(int x, int y, int step) {
        double sum = 0;
        int count = 0;
        for (int pass = 0; pass < 2; pass++) {
            double mean = count == 0 ? 0 : sum / count;
            double products = 0;
            double squares = 0;
            for (int j = Math.max(1, y - HALF); j <= Math.min(level.height - 2, y + HALF); j++) {
                for (int i = Math.max(1, x - HALF); i <= Math.min(level.width - 2, x + HALF); i++) {
                    int at = j * level.width + i;
                    if (level.state[at] == Level.BARE || level.state[at + step] == Level.BARE) {
                        continue;
                    }
                    double value = tone(at);
                    if (pass == 0) {
                        sum += value;
                        count++;
                    } else {
                        products += (value - mean) * (tone(at + step) - mean);
                        squares += (value - mean) * (value - mean);
                    }
                }
            }
            if (pass == 1 && squares > 0) {
                return (float) Math.clamp(products / squares, 0, MOST);
            }
        }
        return 0;
    }

    private int tone(int at) {
        int sum = 0;
        for (int c = 0; c < level.channels; c++) {
            sum += level.samples[at * level.channels + c];
        }
        return sum;
    }

    private void spread(Place place, ArrayDeque<Place> next, boolean[] isSeen) {
        if (place.steps > 0) {
            float share = (float) (Math.pow(place.rim.likeness, place.steps) * (1 - (place.steps - 1.0) / REACH));
            for (int c = 0; c < level.channels; c++) {
                int i = place.at * level.channels + c;
                level.samples[i] =
                        (short) Math.clamp(Math.round(level.samples[i] + place.rim.error[c] * share), 0, Level.WHITE);
            }
        }
        if (place.steps == REACH) {
            return;
        }
        int x = place.at % level.width;
        int y = place.at / level.width;
        offer(x - 1, y, place, next, isSeen);
        offer(x + 1, y, place, next, isSeen);
        offer(x, y - 1, place, next, isSeen);
        offer(x, y + 1, place, next, isSeen);
    }

    private void offer(int x, int y, Place from, ArrayDeque<Place> next, boolean[] isSeen) {
        if (x < 0 || y < 0 || x >= level.width || y >= level.height) {
            return;
        }
        int at = y * level.width + x;
        if (level.state[at] == Level.BARE && !isSeen[at]) {
            isSeen[at] = true;
            next.add(new Place(at, from.steps + 1, from.rim));
        }
    }
}
