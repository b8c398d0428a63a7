package embrick.core.nest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.ToLongFunction;

/**
 * Lays pieces on cut sheets of one size so that few are used, and the last one as little as can be. Pieces are laid in several
 * orders, each on the first sheet that has room for it ({@link FreeSpace}); the best order is then changed again and again.
 * The same pieces are laid the same on every machine.
 */
public final class SheetNester {
    private static final long SEED = 20100131;
    private static final double EFFORT = 3e6;
    private static final int LEAST_TRIES = 20;
    private static final int MOST_TRIES = 3000;

    private final long width;
    private final long height;
    private final long gap;

    /**
     * @param width µm of a sheet that may be printed on
     * @param height likewise
     * @param gap µm between pieces
     */
    public SheetNester(long width, long height, long gap) {
        if (width < 1 || height < 1 || gap < 0) {
            throw new IllegalArgumentException(
                    "expected a sheet and no negative gap, got " + width + " × " + height + ", " + gap);
        }
        this.width = width;
        this.height = height;
        this.gap = gap;
    }

    /** Whether an item can be laid at all. */
    public boolean fits(Item item) {
        return item.width() <= width && item.height() <= height
                || item.mayTurn() && item.height() <= width && item.width() <= height;
    }

    /**
     * @return the sheets, each with what lies on it
     * @throws IllegalArgumentException if an item does not fit
     */
    public List<List<Placed>> nest(List<Item> items) {
        items.stream().filter(item -> !fits(item)).findFirst().ifPresent(large -> {
            throw new IllegalArgumentException("item " + large.number() + " is larger than the sheet");
        });
        Map<Integer, Item> bare = new HashMap<>();
        items.forEach(item -> bare.put(item.number(), item));
        List<Item> spaced = items.stream().map(item -> item.with(gap)).toList();
        List<ToLongFunction<Item>> sizes = List.of(Item::area, Item::longer, Item::shorter, Item::height);
        List<Wish> order = wished(spaced, Way.EITHER);
        Sheets best = lay(order);
        for (ToLongFunction<Item> size : sizes) {
            List<Item> sorted = spaced.stream()
                    .sorted(Comparator.comparingLong(size).reversed())
                    .toList();
            for (Way way : Way.values()) {
                List<Wish> wishes = wished(sorted, way);
                Sheets laid = lay(wishes);
                if (laid.isBetterThan(best)) {
                    best = laid;
                    order = wishes;
                }
            }
        }
        best = changed(new ArrayList<>(order), best);
        return best.sheets.stream()
                .map(sheet -> sheet.stream()
                        .map(placed -> placed.of(bare.get(placed.item().number())))
                        .toList())
                .toList();
    }

    private record Wish(Item item, Way way) {}

    private static List<Wish> wished(List<Item> items, Way way) {
        return items.stream().map(item -> new Wish(item, way)).toList();
    }

    private Sheets changed(List<Wish> order, Sheets found) {
        Sheets best = found;
        Random random = new Random(SEED);
        int n = order.size();
        int tries = (int) Math.clamp(EFFORT / ((double) n * n), LEAST_TRIES, MOST_TRIES);
        for (int i = 0; i < tries && n > 1 && best.sheets.size() > 1; i++) {
            int from = random.nextInt(n);
            int to = random.nextInt(n);
            Wish before = order.remove(from);
            order.add(to, new Wish(before.item(), Way.values()[random.nextInt(Way.values().length)]));
            Sheets laid = lay(order);
            if (best.isBetterThan(laid)) {
                order.remove(to);
                order.add(from, before);
            } else {
                best = laid;
            }
        }
        return best;
    }

    /** @param last the area that is covered on the last sheet */
    private record Sheets(List<List<Placed>> sheets, double last) {
        boolean isBetterThan(Sheets other) {
            return sheets.size() != other.sheets.size() ? sheets.size() < other.sheets.size() : last < other.last;
        }
    }

    private Sheets lay(List<Wish> order) {
        List<FreeSpace> free = new ArrayList<>();
        List<List<Placed>> sheets = new ArrayList<>();
        for (Wish wish : order) {
            boolean isLaid = false;
            for (int i = 0; i < free.size() && !isLaid; i++) {
                List<Placed> sheet = sheets.get(i);
                isLaid =
                        free.get(i).lay(wish.item(), wish.way()).map(sheet::add).orElse(false);
            }
            if (!isLaid) {
                FreeSpace next = new FreeSpace(width + gap, height + gap);
                List<Placed> sheet = new ArrayList<>();
                sheet.add(next.lay(wish.item(), wish.way()).orElseThrow());
                free.add(next);
                sheets.add(sheet);
            }
        }
        double last = sheets.isEmpty()
                ? 0
                : sheets.getLast().stream()
                        .mapToDouble(one -> (double) one.item().area())
                        .sum();
        return new Sheets(sheets, last);
    }
}
