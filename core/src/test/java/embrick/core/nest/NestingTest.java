package embrick.core.nest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.Thorough;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pieces on rolls and sheets: nothing overlaps, nothing is lost, and little paper is. */
class NestingTest {
    private static final long INCH = 25_400;

    /** Sizes of photo papers, in inches; common practice, no source. */
    private static final double[][] SIZES = {
        {4, 6}, {5, 7}, {8, 10}, {8, 12}, {11, 14}, {12, 18}, {16, 20}, {6, 6}, {10, 10}, {3.5, 5}
    };

    private static final double[] ROLLS = {24, 44, 60};

    private static List<Item> items(int count, int seed) {
        Random random = new Random(seed);
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double[] size = seed % 2 == 0
                    ? SIZES[random.nextInt(SIZES.length)]
                    : new double[] {3 + 13 * random.nextDouble(), 3 + 13 * random.nextDouble()};
            items.add(new Item(i, Math.round(size[0] * INCH), Math.round(size[1] * INCH), true));
        }
        return items;
    }

    private static void assertLaid(List<Item> items, List<Placed> placed, long width, long height, long gap) {
        assertThat(placed).extracting(Placed::item).containsExactlyInAnyOrderElementsOf(items);
        for (Placed one : placed) {
            assertThat(one.x()).isNotNegative();
            assertThat(one.y()).isNotNegative();
            assertThat(one.right()).isLessThanOrEqualTo(width);
            assertThat(one.end()).isLessThanOrEqualTo(height);
            assertThat(!one.turned() || one.item().mayTurn()).isTrue();
            assertThat(placed)
                    .filteredOn(other -> other != one)
                    .as("apart from %s", one)
                    .allMatch(other -> one.right() + gap <= other.x()
                            || other.right() + gap <= one.x()
                            || one.end() + gap <= other.y()
                            || other.end() + gap <= one.y());
        }
    }

    /** Mixed sets of 40 pieces (20 of them when asked for all), half of photo papers' sizes, half of any. */
    @Test
    void littlePaperIsLost() {
        for (int seed = 0; seed < Thorough.cases(3, 20); seed++) {
            List<Item> items = items(40, seed);
            long width = Math.round(ROLLS[seed % ROLLS.length] * INCH);
            Strip strip = new StripNester(width, 0).nest(items);
            assertLaid(items, strip.placed(), width, strip.length(), 0);
            double area = items.stream().mapToDouble(Item::area).sum();
            assertThat(strip.length() / (area / width))
                    .as("of the area bound, set %d", seed)
                    .isBetween(1.0, 1.10);
        }
    }

    @ParameterizedTest
    @CsvSource({"17, 3000", "24, 6350", "44, 0", "60, 10000"})
    void piecesKeepTheirGap(double inches, long gap) {
        long width = Math.round(inches * INCH);
        for (int seed = 30; seed < Thorough.cases(31, 33); seed++) {
            List<Item> items = items(25, seed);
            StripNester nester = new StripNester(width, gap);
            Strip strip = nester.nest(items);
            assertLaid(items, strip.placed(), width, strip.length(), gap);
            assertThat((double) strip.length()).isGreaterThanOrEqualTo(nester.bound(items));
        }
    }

    /** Perfect packings, known by how they were cut: 12 × 18 in sheets quartered on a 24 in roll, and a square of squares. */
    @Test
    void whatFitsExactlyLiesExactly() {
        List<Item> quarters = IntStream.range(0, 16)
                .mapToObj(i -> new Item(i, 6 * INCH, 9 * INCH, true))
                .toList();
        assertThat(new StripNester(24 * INCH, 0).nest(quarters).length()).isEqualTo(36 * INCH);
        // Duijvestijn's simple perfect squared square of the lowest order, 1978: 21 squares fill 112 × 112.
        int[] squares = {50, 42, 37, 35, 33, 29, 27, 25, 24, 19, 18, 17, 16, 15, 11, 9, 8, 7, 6, 4, 2};
        assertThat(Arrays.stream(squares).map(side -> side * side).sum()).isEqualTo(112 * 112);
        List<Item> square = IntStream.range(0, squares.length)
                .mapToObj(i -> new Item(i, squares[i] * 1000L, squares[i] * 1000L, false))
                .toList();
        assertThat(new StripNester(112_000, 0).nest(square).length()).isLessThanOrEqualTo(123_000);
    }

    @Test
    void nothingIsTurnedThatMustNotBe() {
        List<Item> upright = items(20, 4).stream()
                .map(item -> new Item(item.number(), item.width(), item.height(), false))
                .toList();
        Strip strip = new StripNester(24 * INCH, 0).nest(upright);
        assertThat(strip.placed()).noneMatch(Placed::turned);
        assertLaid(upright, strip.placed(), 24 * INCH, strip.length(), 0);
    }

    @Test
    void whatIsTooWideIsRefusedAndOneFitsOnlyTurned() {
        StripNester roll = new StripNester(17 * INCH, 0);
        Item wide = new Item(0, 20 * INCH, 30 * INCH, true);
        assertThat(roll.fits(wide)).isFalse();
        assertThatThrownBy(() -> roll.nest(List.of(wide))).hasMessageContaining("item 0");
        Item lying = new Item(0, 20 * INCH, 16 * INCH, true);
        assertThat(roll.nest(List.of(lying)).placed()).singleElement().matches(Placed::turned);
        assertThat(roll.fits(new Item(0, 20 * INCH, 16 * INCH, false))).isFalse();
        assertThat(roll.nest(List.of()).length()).isZero();
    }

    @Test
    void theSameIsLaidTheSame() {
        List<Item> items = items(40, 7);
        StripNester nester = new StripNester(24 * INCH, 3000);
        assertThat(nester.nest(items)).isEqualTo(nester.nest(items));
    }

    /** Two 8 × 10 prints turned lie on a 13 × 19 in sheet, four 6 × 9 in, and nine 4 × 6 in. */
    @ParameterizedTest
    @CsvSource({"8, 10, 2, 1", "6, 9, 4, 1", "4, 6, 9, 1", "4, 6, 10, 2", "12, 18, 3, 3"})
    void printsShareSheets(long width, long height, int count, int sheets) {
        List<Item> items = IntStream.range(0, count)
                .mapToObj(i -> new Item(i, width * INCH, height * INCH, true))
                .toList();
        assertThat(new SheetNester(13 * INCH, 19 * INCH, 0).nest(items)).hasSize(sheets);
    }

    @Test
    void mixedPrintsShareSheetsWithTheirGaps() {
        List<Item> items =
                items(30, 6).stream().filter(item -> item.longer() < 18 * INCH).toList();
        List<List<Placed>> sheets = new SheetNester(13 * INCH, 19 * INCH, 3000).nest(items);
        sheets.forEach(
                sheet -> assertLaid(sheet.stream().map(Placed::item).toList(), sheet, 13 * INCH, 19 * INCH, 3000));
        assertThat(sheets.stream().flatMap(List::stream).map(Placed::item)).containsExactlyInAnyOrderElementsOf(items);
        double area = items.stream().mapToDouble(Item::area).sum() / (13 * 19 * INCH * INCH);
        assertThat(sheets.size()).isLessThanOrEqualTo((int) Math.ceil(area * 1.3));
        assertThatThrownBy(() -> new SheetNester(INCH, INCH, 0).nest(items)).hasMessageContaining("larger than");
    }

    @ParameterizedTest
    @CsvSource({"60, 40, 24, 100, 1", "24, 24, 24, 24, 1", "59.5, 90, 17, 44, 0.5", "100, 10, 33, 20, 0"})
    void tilesCoverThePrintAndShareTheirOverlap(double w, double h, double across, double along, double shared) {
        long width = Math.round(w * INCH);
        long height = Math.round(h * INCH);
        long overlap = Math.round(shared * INCH);
        List<Tiling.Tile> tiles =
                Tiling.of(width, height, Math.round(across * INCH), Math.round(along * INCH), overlap);
        assertThat(tiles).allMatch(tile -> tile.width() <= across * INCH && tile.height() <= along * INCH);
        List<Tiling.Tile> row = tiles.stream().filter(tile -> tile.y() == 0).toList();
        assertThat(row.getFirst().x()).isZero();
        assertThat(row.getLast().x() + row.getLast().width()).isEqualTo(width);
        for (int i = 1; i < row.size(); i++) {
            assertThat(row.get(i - 1).x() + row.get(i - 1).width() - row.get(i).x())
                    .isBetween(overlap, overlap + row.size());
        }
        assertThat(tiles.getLast().y() + tiles.getLast().height()).isEqualTo(height);
        assertThat(tiles).hasSize(row.size() * (tiles.size() / row.size()));
    }
}
