package embrick.core.nest;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.function.ToLongFunction;
import java.util.stream.IntStream;

/**
 * Lays pieces on a roll so that little length is used.
 *
 * <p>Pieces are laid on a {@link Skyline} in several orders, largest first by area, by either side and by their sum; the best
 * of these is then changed again and again, two pieces exchanged, one moved, one turned, and what is not worse is kept, now
 * and then also what is a little worse (simulated annealing; Burke, Kendall and Whitwell, "A simulated annealing enhancement
 * of the best-fit heuristic", 2009). Chance comes from a fixed seed and the number of tries from the number of pieces alone:
 * the same pieces are laid the same on every machine.
 */
public final class StripNester {
    private static final long SEED = 20100130;

    /** Places looked at, in all tries together: about a second of work. */
    private static final double EFFORT = 5e8;

    private static final int LEAST_TRIES = 60;
    private static final int MOST_TRIES = 150_000;

    /** Few pieces have few orders: so often each two of them are exchanged. */
    private static final int TRIES_FOR_PAIRS = 80;

    /** How much worse a change may be at the beginning, of the length, to be kept now and then; it falls to nothing. */
    private static final double WARMTH = 0.012;

    private final long width;
    private final long gap;

    /**
     * @param width µm that may be printed on
     * @param gap µm between pieces
     */
    public StripNester(long width, long gap) {
        if (width < 1 || gap < 0) {
            throw new IllegalArgumentException("expected a width and no negative gap, got " + width + " and " + gap);
        }
        this.width = width;
        this.gap = gap;
    }

    /** Whether an item can be laid at all. */
    public boolean fits(Item item) {
        return (item.mayTurn() ? item.shorter() : item.width()) <= width;
    }

    /** @throws IllegalArgumentException if an item does not fit */
    public Strip nest(List<Item> items) {
        items.stream().filter(item -> !fits(item)).findFirst().ifPresent(wide -> {
            throw new IllegalArgumentException("item " + wide.number() + " is wider than " + width + " µm");
        });
        if (items.isEmpty()) {
            return new Strip(width, 0, List.of());
        }
        Item[] spaced = items.stream().map(item -> item.with(gap)).toArray(Item[]::new);
        long[] lies = new Search(spaced, width + gap).run();
        List<Placed> placed = Skyline.placed(spaced, lies);
        List<Placed> bare = IntStream.range(0, items.size())
                .mapToObj(i -> placed.get(i).of(items.get(i)))
                .toList();
        return new Strip(width, bare.stream().mapToLong(Placed::end).max().orElse(0), bare);
    }

    /**
     * A length that no strip of the items can be shorter than, µm: their area, the longest of them, and all those together
     * that are too wide to lie beside one another.
     */
    public double bound(List<Item> items) {
        return bound(items.stream().map(item -> item.with(gap)).toArray(Item[]::new), width + gap) - gap;
    }

    private static double bound(Item[] items, long width) {
        double area = Arrays.stream(items).mapToDouble(Item::area).sum() / width;
        double wide = Arrays.stream(items)
                .filter(item -> 2 * (item.mayTurn() ? item.shorter() : item.width()) > width)
                .mapToDouble(item -> least(item, width))
                .sum();
        double longest = Arrays.stream(items)
                .mapToDouble(item -> least(item, width))
                .max()
                .orElse(0);
        return Math.max(area, Math.max(wide, longest));
    }

    /** The least that an item takes along the strip. */
    private static long least(Item item, long width) {
        return item.mayTurn() && item.longer() <= width ? item.shorter() : fitsUpright(item, width);
    }

    private static long fitsUpright(Item item, long width) {
        return item.width() <= width ? item.height() : item.width();
    }

    /** One search, over orders and ways to lie. */
    private static final class Search {
        private static final List<ToLongFunction<Item>> SIZES =
                List.of(Item::area, Item::height, Item::width, Item::longer, item -> item.width() + item.height());

        private static final Way[] WAYS = Way.values();

        private final Item[] items;
        private final Skyline skyline;
        private final double bound;
        private final Random random = new Random(SEED);
        private int[] order;
        private Way[] ways;
        private double cost = Double.MAX_VALUE;
        private final long[] tried;
        private long[] best;
        private double bestCost = Double.MAX_VALUE;

        Search(Item[] items, long width) {
            this.items = items;
            this.skyline = new Skyline(width);
            this.tried = new long[3 * items.length];
            this.bound = bound(items, width);
        }

        long[] run() {
            for (ToLongFunction<Item> size : SIZES) {
                for (Way way : WAYS) {
                    int[] sorted = IntStream.range(0, items.length)
                            .boxed()
                            .sorted(Comparator.comparingLong((Integer i) -> size.applyAsLong(items[i]))
                                    .reversed())
                            .mapToInt(Integer::intValue)
                            .toArray();
                    Way[] all = new Way[items.length];
                    Arrays.fill(all, way);
                    take(sorted, all);
                }
            }
            change();
            return best;
        }

        private void take(int[] sorted, Way[] all) {
            double now = skyline.lay(items, sorted, all, Double.MAX_VALUE, tried);
            if (now < cost) {
                cost = now;
                order = sorted;
                ways = all;
            }
            note(now);
        }

        private void note(double now) {
            if (now < bestCost) {
                bestCost = now;
                best = tried.clone();
            }
        }

        private void change() {
            int n = items.length;
            int most = Math.min(MOST_TRIES, TRIES_FOR_PAIRS * n * n);
            int tries = (int) Math.clamp(EFFORT / (n * (12.0 + n / 8.0) * 6), LEAST_TRIES, Math.max(LEAST_TRIES, most));
            for (int i = 0; i < tries && n > 1 && bestCost > bound * 1.001; i++) {
                double warmth = WARMTH * cost * (1 - (double) i / tries);
                double limit = cost - warmth * Math.log(1 - random.nextDouble());
                int[] undo = mutate();
                double now = skyline.lay(items, order, ways, limit, tried);
                if (now <= limit) {
                    cost = now;
                    note(now);
                } else {
                    takeBack(undo);
                }
            }
        }

        /** Changes one thing: what it was, and between which places. */
        private int[] mutate() {
            int n = items.length;
            int a = random.nextInt(n);
            int b = random.nextInt(n);
            int kind = random.nextInt(10);
            if (kind < 3 && items[order[a]].mayTurn()) {
                int before = ways[order[a]].ordinal();
                ways[order[a]] = WAYS[random.nextInt(WAYS.length)];
                return new int[] {0, order[a], before};
            }
            if (kind < 6) {
                exchange(a, b);
                return new int[] {1, a, b};
            }
            move(a, b);
            return new int[] {2, b, a};
        }

        private void takeBack(int[] undo) {
            switch (undo[0]) {
                case 0 -> ways[undo[1]] = WAYS[undo[2]];
                case 1 -> exchange(undo[1], undo[2]);
                default -> move(undo[1], undo[2]);
            }
        }

        private void exchange(int a, int b) {
            int moved = order[a];
            order[a] = order[b];
            order[b] = moved;
        }

        private void move(int from, int to) {
            int moved = order[from];
            if (from < to) {
                System.arraycopy(order, from + 1, order, from, to - from);
            } else {
                System.arraycopy(order, to, order, to + 1, from - to);
            }
            order[to] = moved;
        }
    }
}
