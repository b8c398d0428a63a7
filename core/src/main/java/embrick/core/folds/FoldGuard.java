package embrick.core.folds;

import embrick.core.edge.Rim;
import embrick.core.found.SmallPixels;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Mirror;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Looks along the folds or trim lines of one picture's sheet, and for the smallest change that clears them.
 *
 * <p>Moves and loosenings are tried from the smallest on, on a grid of a third of the distance kept clear; the first under which
 * no line has strong detail beside it is offered. How far a move goes is counted in sides of the sheet; to show more of the
 * picture counts one and a half times as much as to move it as far.
 */
public final class FoldGuard {
    /** A sheet that moves by more shows another picture. */
    private static final double FARTHEST_MOVE = 0.25;

    private static final double LOOSEST = 1.3;
    private static final double LOOSER_BY = 0.02;
    private static final double COST_OF_LOOSER = 1.5;
    private static final double STEPS_OF_DISTANCE = 3;

    private final FrameGrid grid;
    private final Plan plan;
    private final Framing framing;
    private final double within;
    /** The sheet in cells. */
    private final Sheet sheet;

    private final boolean goesBeyond;

    /**
     * @param side where it is
     * @param from share of the side at which it begins, from the left or the top, {@code end} likewise
     * @param distance output pixels from the line to the nearest of it; 0 where it lies on the line
     */
    public record Place(Side side, double from, double end, double distance) {}

    /**
     * @param figure 0 where all lines are clear, up to 100 where strong detail lies on one
     * @param places nearest first
     */
    public record Look(int figure, List<Place> places) {}

    /**
     * @param across output pixels by which the sheet moves to the right over the picture, {@code down} likewise
     * @param looser how many times as much of the picture is shown, 1 or more
     */
    public record Offer(Framing framing, double across, double down, double looser) {}

    private record Sheet(double left, double top, double right, double bottom) {
        Sheet changed(Change change) {
            double middleX = (left + right) / 2 + change.across();
            double middleY = (top + bottom) / 2 + change.down();
            double halfWidth = (right - left) / 2 * change.looser();
            double halfHeight = (bottom - top) / 2 * change.looser();
            return new Sheet(middleX - halfWidth, middleY - halfHeight, middleX + halfWidth, middleY + halfHeight);
        }
    }

    /** In cells, and how many times as much is shown. */
    private record Change(double across, double down, double looser, double cost) {}

    /**
     * @param picture upright, as its file says
     * @param plan of the whole output, whose framing this is
     * @param within output pixels to be kept clear on both sides of each line
     */
    public FoldGuard(SmallPixels picture, Plan plan, Framing framing, double within) {
        this.plan = plan;
        this.framing = framing;
        this.grid = new FrameGrid(StrongDetail.of(picture), plan, framing);
        this.within = Math.max(1, within / grid.cell());
        PixelRect shown = plan.picture();
        PixelSize size = plan.sheet();
        this.sheet = new Sheet(
                grid.column(-shown.x()),
                grid.row(-shown.y()),
                grid.column((double) size.width() - shown.x()),
                grid.row((double) size.height() - shown.y()));
        // Bands that show the picture itself, and what a trimmer that strays lays bare.
        this.goesBeyond =
                !plan.picture().isInside(plan.sheet()) || plan.extension().rim() instanceof Rim.Trimmed;
    }

    private List<FoldLine> lines(Sheet one) {
        double outwards = goesBeyond ? within : 0;
        return List.of(
                new FoldLine(Side.LEFT, one.left(), one.top(), one.bottom(), outwards, within),
                new FoldLine(Side.TOP, one.top(), one.left(), one.right(), outwards, within),
                new FoldLine(Side.RIGHT, one.right(), one.top(), one.bottom(), outwards, within),
                new FoldLine(Side.BOTTOM, one.bottom(), one.left(), one.right(), outwards, within));
    }

    public Look look() {
        List<Place> places = new ArrayList<>();
        double nearest = within;
        for (FoldLine line : lines(sheet)) {
            double length = line.end() - line.from();
            for (FoldLine.Stretch stretch : line.stretches(grid)) {
                double distance = line.nearest(grid, stretch);
                nearest = Math.min(nearest, distance);
                places.add(new Place(
                        line.side(),
                        (stretch.from() - line.from()) / length,
                        (stretch.end() - line.from()) / length,
                        distance * grid.cell()));
            }
        }
        places.sort(
                Comparator.comparingDouble(Place::distance).thenComparingDouble(place -> place.from() - place.end()));
        int figure = places.isEmpty() ? 0 : (int) Math.max(1, Math.round(100 * (1 - nearest / within)));
        return new Look(figure, List.copyOf(places));
    }

    /** The smallest change that clears all lines; empty where none does, or nothing can be moved. */
    public Optional<Offer> offer() {
        return changes().stream()
                .filter(change -> isClear(sheet.changed(change)))
                .findFirst()
                .map(change -> new Offer(
                        framed(change), change.across() * grid.cell(), change.down() * grid.cell(), change.looser()));
    }

    private boolean isClear(Sheet one) {
        return grid.isInside(one.left(), one.top())
                && grid.isInside(one.right() - 1e-6, one.top())
                && grid.isInside(one.left(), one.bottom() - 1e-6)
                && grid.isInside(one.right() - 1e-6, one.bottom() - 1e-6)
                && lines(one).stream().allMatch(line -> line.isClear(grid));
    }

    private List<Change> changes() {
        List<Change> changes = new ArrayList<>();
        double width = sheet.right() - sheet.left();
        double height = sheet.bottom() - sheet.top();
        double step = Math.max(1, within / STEPS_OF_DISTANCE);
        int across = (int) (FARTHEST_MOVE * width / step);
        int down = (int) (FARTHEST_MOVE * height / step);
        double loosest = Math.min(LOOSEST, framing.tightness());
        for (double looser = 1; looser <= loosest + 1e-9; looser += LOOSER_BY) {
            for (int x = -across; x <= across; x++) {
                for (int y = -down; y <= down; y++) {
                    double cost = Math.hypot(x * step / width, y * step / height) + COST_OF_LOOSER * (looser - 1);
                    changes.add(new Change(x * step, y * step, looser, cost));
                }
            }
        }
        changes.sort(Comparator.comparingDouble(Change::cost));
        return changes;
    }

    /** A change of the seen sheet as one of the framing, which belongs to the original before its mirror and turns. */
    private Framing framed(Change change) {
        double radians = Math.toRadians(plan.window().tiltDegrees());
        double pixels = grid.cell() * plan.window().scale();
        double x = (Math.cos(radians) * change.across() + Math.sin(radians) * change.down())
                * pixels
                / plan.seen().width();
        double y = (Math.cos(radians) * change.down() - Math.sin(radians) * change.across())
                * pixels
                / plan.seen().height();
        for (int turn = 0; turn < framing.quarterTurns(); turn++) {
            double turned = x;
            x = y;
            y = -turned;
        }
        if (framing.mirror() == Mirror.MIRRORED) {
            x = -x;
        }
        return framing.withCentre(Math.clamp(framing.centreX() + x, 0, 1), Math.clamp(framing.centreY() + y, 0, 1))
                .withTightness(Math.max(1, framing.tightness() / change.looser()));
    }
}
