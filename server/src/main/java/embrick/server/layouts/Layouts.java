package embrick.server.layouts;

import embrick.core.nest.Item;
import embrick.core.nest.Placed;
import embrick.core.nest.SheetNester;
import embrick.core.nest.Strip;
import embrick.core.nest.StripNester;
import embrick.core.nest.Tiling;
import embrick.core.nest.Tiling.Tile;
import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.server.layouts.LayoutPieces.Copy;
import embrick.server.layouts.LayoutPieces.Gathered;
import embrick.server.layouts.LayoutWish.ByHand;
import embrick.server.problems.ProblemException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Lays pieces as somebody wishes: by the nesters of the core, and then by hand where that was asked for. */
@Service
class Layouts {
    /** More would make no page that anybody could look at. */
    private static final int MOST = 4000;

    private static final double MICROMETRES_PER_INCH = 25_400;
    private static final double PER_MILLIMETRE = 1000;

    private final LayoutPieces pieces;

    Layouts(LayoutPieces pieces) {
        this.pieces = pieces;
    }

    /**
     * What is laid: a piece, or a part of one that is too wide.
     *
     * @param tile the part, in the upright piece; all of it where it is not parted
     * @param part counted from 1
     * @param parts 1 where it is not parted
     */
    record Laid(Copy copy, Tile tile, int part, int parts) {
        long wholeWidth() {
            return micrometres(plan().total().width(), plan());
        }

        long wholeHeight() {
            return micrometres(plan().total().height(), plan());
        }

        private Plan plan() {
            return copy.page().plan();
        }

        private static long micrometres(int pixels, Plan plan) {
            return Math.round(pixels / plan.marked().toPpi() * MICROMETRES_PER_INCH);
        }
    }

    /**
     * A stretch of the roll, or a sheet. All is µm from its left and its beginning, margins counted in.
     *
     * @param height of a sheet; of a roll as long as is used
     */
    record Page(long width, long height, List<Placed> placed) {}

    /**
     * @param laid by the numbers of what is placed
     * @param refused pieces that are not laid
     * @param wrong what was put by hand where it cannot stay
     */
    record Layout(List<Laid> laid, List<Page> pages, List<Problem> refused, List<Problem> wrong) {
        /** The share of all paper that no piece covers, 0 to 1. */
        double waste() {
            double paper = pages.stream()
                    .mapToDouble(page -> (double) page.width * page.height)
                    .sum();
            double covered = pages.stream()
                    .flatMap(page -> page.placed.stream())
                    .mapToDouble(one -> (double) one.width() * one.height())
                    .sum();
            return paper == 0 ? 0 : 1 - covered / paper;
        }

        long length() {
            return pages.stream().mapToLong(Page::height).sum();
        }
    }

    /** The paper, in µm. */
    private record Paper(long width, long height, long margin, long gap, boolean isRoll) {
        static Paper of(LayoutWish wish) {
            return new Paper(
                    micrometres(wish.width()),
                    wish.height() == null ? 0 : micrometres(wish.height()),
                    micrometres(wish.margin()),
                    micrometres(wish.gap()),
                    wish.height() == null);
        }

        long usableWidth() {
            return width - 2 * margin;
        }

        long usableHeight() {
            return height - 2 * margin;
        }

        boolean fits(Item item) {
            return isRoll
                    ? new StripNester(usableWidth(), gap).fits(item)
                    : new SheetNester(usableWidth(), usableHeight(), gap).fits(item);
        }
    }

    static long micrometres(double millimetres) {
        return Math.round(millimetres * PER_MILLIMETRE);
    }

    static double millimetres(long micrometres) {
        return micrometres / PER_MILLIMETRE;
    }

    Layout lay(LayoutWish wish) {
        Gathered gathered = pieces.gather(wish.runIds());
        Paper paper = Paper.of(wish);
        List<Laid> laid = new ArrayList<>();
        List<Problem> refused = new ArrayList<>(gathered.refused());
        gathered.copies().forEach(copy -> part(copy, wish, paper, laid, refused));
        if (laid.size() > MOST) {
            throw ProblemException.invalid(
                    "too-many",
                    "run",
                    laid.size() + " pieces are more than can be laid at once: " + MOST + ".",
                    "Lay fewer runs at once.");
        }
        List<Page> pages = new ArrayList<>();
        for (List<Item> group : groups(laid, wish)) {
            pages.addAll(nest(group, paper));
        }
        List<Page> joined = paper.isRoll() ? joined(pages, paper) : pages;
        List<Problem> wrong = new ArrayList<>();
        return new Layout(laid, moved(joined, laid, wish.byHand(), paper, wrong), refused, wrong);
    }

    private static void part(Copy copy, LayoutWish wish, Paper paper, List<Laid> laid, List<Problem> refused) {
        Laid whole = new Laid(copy, new Tile(0, 0, 0, 0), 1, 1);
        long width = whole.wholeWidth();
        long height = whole.wholeHeight();
        Item item = new Item(laid.size(), width, height, wish.mayTurn());
        if (paper.fits(item)) {
            laid.add(new Laid(copy, new Tile(0, 0, width, height), 1, 1));
            return;
        }
        if (wish.overlap() == null || micrometres(wish.overlap()) >= paper.usableWidth()) {
            refused.add(tooLarge(copy, item, wish));
            return;
        }
        List<Tile> tiles = Tiling.of(
                width,
                height,
                paper.usableWidth(),
                paper.isRoll() ? height : paper.usableHeight(),
                micrometres(wish.overlap()));
        for (int i = 0; i < tiles.size(); i++) {
            laid.add(new Laid(copy, tiles.get(i), i + 1, tiles.size()));
        }
    }

    private static Problem tooLarge(Copy copy, Item item, LayoutWish wish) {
        String size = rounded(item.width()) + " × " + rounded(item.height()) + " mm";
        boolean helpsToTurn = !wish.mayTurn() && Paper.of(wish).fits(new Item(0, item.width(), item.height(), true));
        return new Problem(
                "too-large-for-paper",
                copy.piece().name(),
                copy.piece().name() + " is " + size + ", larger than what this paper prints on.",
                helpsToTurn
                        ? "Allow pieces to be turned, or take wider paper."
                        : "Take larger paper, or let it be printed in parts that overlap.");
    }

    private static String rounded(long micrometres) {
        return String.valueOf(Math.round(millimetres(micrometres)));
    }

    private static List<List<Item>> groups(List<Laid> laid, LayoutWish wish) {
        Map<UUID, List<Item>> groups = new LinkedHashMap<>();
        for (int i = 0; i < laid.size(); i++) {
            Tile tile = laid.get(i).tile();
            groups.computeIfAbsent(
                            wish.byRun()
                                    ? laid.get(i).copy().runId()
                                    : wish.runIds().getFirst(),
                            _ -> new ArrayList<>())
                    .add(new Item(i, tile.width(), tile.height(), wish.mayTurn()));
        }
        return List.copyOf(groups.values());
    }

    private static List<Page> nest(List<Item> items, Paper paper) {
        if (paper.isRoll()) {
            Strip strip = new StripNester(paper.usableWidth(), paper.gap()).nest(items);
            return List.of(page(strip.placed(), strip.length() + 2 * paper.margin(), paper));
        }
        return new SheetNester(paper.usableWidth(), paper.usableHeight(), paper.gap())
                .nest(items).stream()
                        .map(sheet -> page(sheet, paper.height(), paper))
                        .toList();
    }

    private static Page page(List<Placed> placed, long height, Paper paper) {
        return new Page(
                paper.width(),
                height,
                placed.stream()
                        .map(one -> at(one, one.x() + paper.margin(), one.y() + paper.margin(), one.turned()))
                        .toList());
    }

    private static Placed at(Placed one, long x, long y, boolean turned) {
        return new Placed(one.item(), x, y, turned);
    }

    /** Stretches of a roll, one after the other, apart by the gap. */
    private static List<Page> joined(List<Page> stretches, Paper paper) {
        List<Placed> all = new ArrayList<>();
        long end = paper.margin();
        for (Page stretch : stretches) {
            long shift = all.isEmpty() ? 0 : end + paper.gap() - paper.margin();
            stretch.placed().forEach(one -> all.add(at(one, one.x(), one.y() + shift, one.turned())));
            end = all.stream().mapToLong(Placed::end).max().orElse(end);
        }
        return all.isEmpty() ? List.of() : List.of(new Page(paper.width(), end + paper.margin(), all));
    }

    private static List<Page> moved(
            List<Page> pages, List<Laid> laid, List<ByHand> byHand, Paper paper, List<Problem> wrong) {
        if (byHand.isEmpty() || pages.isEmpty()) {
            return pages;
        }
        Map<Integer, ByHand> hands = byHand.stream()
                .filter(hand -> hand.number() < laid.size())
                .collect(Collectors.toMap(ByHand::number, hand -> hand, (_, last) -> last, LinkedHashMap::new));
        int most = Math.max(
                pages.size(),
                paper.isRoll()
                        ? 1
                        : hands.values().stream().mapToInt(ByHand::page).max().orElse(0) + 1);
        List<List<Placed>> placed = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            placed.add(new ArrayList<>(i < pages.size() ? pages.get(i).placed() : List.of()));
        }
        Map<Integer, Placed> known = pages.stream()
                .flatMap(page -> page.placed().stream())
                .collect(Collectors.toMap(one -> one.item().number(), one -> one));
        placed.forEach(page -> page.removeIf(one -> hands.containsKey(one.item().number())));
        hands.forEach((number, hand) -> placed.get(Math.min(hand.page(), most - 1))
                .add(at(known.get(number), micrometres(hand.x()), micrometres(hand.y()), hand.turned())));
        List<Page> moved = new ArrayList<>();
        for (List<Placed> page : placed) {
            long end = page.stream().mapToLong(Placed::end).max().orElse(0);
            moved.add(new Page(paper.width(), paper.isRoll() ? end + paper.margin() : paper.height(), page));
            find(page, laid, paper, hands::containsKey, wrong);
        }
        return moved.stream().filter(page -> !page.placed().isEmpty()).toList();
    }

    /** What lies in a margin, off the paper or over another piece. */
    private static void find(
            List<Placed> page, List<Laid> laid, Paper paper, Predicate<Integer> isByHand, List<Problem> wrong) {
        for (Placed one : page) {
            if (!isByHand.test(one.item().number())) {
                continue;
            }
            String name = laid.get(one.item().number()).copy().piece().name();
            if (one.x() < paper.margin()
                    || one.y() < paper.margin()
                    || one.right() > paper.width() - paper.margin()
                    || !paper.isRoll() && one.end() > paper.height() - paper.margin()) {
                wrong.add(new Problem(
                        "off-the-paper",
                        name,
                        name + " lies beyond what is printed on.",
                        "Put it inside the margins."));
            }
            page.stream()
                    .filter(other -> other.item().number() != one.item().number() && overlap(one, other))
                    .findFirst()
                    .ifPresent(other -> {
                        String under =
                                laid.get(other.item().number()).copy().piece().name();
                        wrong.add(new Problem(
                                "pieces-overlap", name, name + " lies over " + under + ".", "Put it elsewhere."));
                    });
        }
    }

    private static boolean overlap(Placed one, Placed other) {
        return one.x() < other.right() && other.x() < one.right() && one.y() < other.end() && other.y() < one.end();
    }
}
