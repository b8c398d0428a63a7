package embrick.core.nest;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is free of one sheet, as all the largest rectangles that hold nothing (MAXRECTS; Jylänki, "A thousand ways to pack the
 * bin", 2010, section 4). An item goes where the shorter side that it leaves is least.
 */
final class FreeSpace {
    private final List<Area> free = new ArrayList<>();

    private record Area(long x, long y, long width, long height) {
        boolean holds(Area other) {
            return other.x >= x
                    && other.y >= y
                    && other.x + other.width <= x + width
                    && other.y + other.height <= y + height;
        }

        boolean meets(Placed laid) {
            return laid.x() < x + width && laid.right() > x && laid.y() < y + height && laid.end() > y;
        }
    }

    FreeSpace(long width, long height) {
        free.add(new Area(0, 0, width, height));
    }

    /** Lays an item, if it fits; one that does not fit the way it is to lie lies as it can. */
    Optional<Placed> lay(Item item, Way way) {
        Placed best = place(item, way);
        if (best == null && way != Way.EITHER && item.mayTurn()) {
            best = place(item, Way.EITHER);
        }
        if (best != null) {
            cover(best);
        }
        return Optional.ofNullable(best);
    }

    private Placed place(Item item, Way way) {
        Placed best = null;
        long bestShort = Long.MAX_VALUE;
        long bestLong = Long.MAX_VALUE;
        for (Area area : free) {
            for (boolean turned : item.mayTurn() ? new boolean[] {false, true} : new boolean[] {false}) {
                if (item.mayTurn() && !way.allows(turned)) {
                    continue;
                }
                Placed laid = new Placed(item, area.x, area.y, turned);
                long across = area.width - laid.width();
                long along = area.height - laid.height();
                if (across >= 0 && along >= 0) {
                    long less = Math.min(across, along);
                    long more = Math.max(across, along);
                    if (less < bestShort || less == bestShort && more < bestLong) {
                        bestShort = less;
                        bestLong = more;
                        best = laid;
                    }
                }
            }
        }
        return best;
    }

    private void cover(Placed laid) {
        List<Area> parts = new ArrayList<>();
        free.removeIf(area -> {
            if (!area.meets(laid)) {
                return false;
            }
            add(parts, area.x, area.y, laid.x() - area.x, area.height);
            add(parts, laid.right(), area.y, area.x + area.width - laid.right(), area.height);
            add(parts, area.x, area.y, area.width, laid.y() - area.y);
            add(parts, area.x, laid.end(), area.width, area.y + area.height - laid.end());
            return true;
        });
        for (Area part : parts) {
            if (free.stream().noneMatch(other -> other.holds(part))) {
                free.removeIf(part::holds);
                free.add(part);
            }
        }
    }

    private static void add(List<Area> parts, long x, long y, long width, long height) {
        if (width > 0 && height > 0) {
            parts.add(new Area(x, y, width, height));
        }
    }
}
