package embrick.core.learned;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.lanes.PlaneLanes.Filters;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Compares the row-by-row filters with their definition, computed on whole planes in doubles, layer after layer. */
class DetailTileTest {
    private static final int COLUMNS = 110;
    private static final int ROWS = 9;

    private final Random random = new Random(5);
    private final List<Filters> layers =
            List.of(filters(1, 4, 5, 0.125f), filters(4, 8, 3, 0.125f), filters(8, 4, 3, 1));
    private final DetailTile tile = new DetailTile(new LearnedFilters(layers, "of a test", false), COLUMNS, ROWS);

    private Filters filters(int inputs, int outputs, int side, float leak) {
        return new Filters(inputs, side, floats(inputs * outputs * side * side), floats(outputs), leak);
    }

    private float[] floats(int count) {
        float[] floats = new float[count];
        for (int i = 0; i < count; i++) {
            floats[i] = random.nextFloat() - 0.5f;
        }
        return floats;
    }

    /** Planes of rows of columns. */
    private static double[][][] filtered(double[][][] in, Filters filters) {
        int side = filters.side();
        int rows = in[0].length - side + 1;
        int columns = in[0][0].length - side + 1;
        double[][][] out = new double[filters.biases().length][rows][columns];
        for (int o = 0; o < out.length; o++) {
            for (int y = 0; y < rows; y++) {
                for (int x = 0; x < columns; x++) {
                    double sum = filters.biases()[o];
                    for (int c = 0; c < in.length; c++) {
                        for (int at = 0; at < side * side; at++) {
                            int weight = ((o / 4 * in.length + c) * side * side + at) * 4 + o % 4;
                            sum += in[c][y + at / side][x + at % side] * filters.weights()[weight];
                        }
                    }
                    out[o][y][x] = Math.max(sum, sum * filters.leak());
                }
            }
        }
        return out;
    }

    private double[][][] put() {
        int radius = tile.radius();
        double[][][] planes = new double[1][ROWS + 2 * radius][COLUMNS + 2 * radius];
        for (int y = 0; y < ROWS + 2 * radius; y++) {
            for (int x = 0; x < COLUMNS + 2 * radius; x++) {
                float value = random.nextFloat() - 0.5f;
                tile.luminance()[y * tile.apart() + x] = value;
                planes[0][y][x] = value;
            }
        }
        return planes;
    }

    @Test
    void itIsWhatTheLayersSay() {
        double[][][] wanted = put();
        for (Filters layer : layers) {
            wanted = filtered(wanted, layer);
        }
        Arrays.fill(tile.wanted(), 0b111);
        float[] found = tile.find();
        for (int part = 0; part < 4; part++) {
            for (int y = 0; y < ROWS; y++) {
                for (int x = 0; x < COLUMNS; x++) {
                    assertThat((double) found[tile.at(part, y) + x]).isCloseTo(wanted[part][y][x], within(1e-5));
                }
            }
        }
    }

    @Test
    void aRunIsTheSameWhateverElseIsWanted() {
        put();
        Arrays.fill(tile.wanted(), 0b111);
        float[] all = tile.find().clone();
        put();
        // The rings hold other values before the tile is asked again.
        float[] luminance = tile.luminance().clone();
        tile.find();
        float[] whole = tile.find().clone();
        assertThat(whole).isNotEqualTo(all);
        for (long wanted : new long[] {0b001, 0b010, 0b100, 0b101}) {
            put();
            Arrays.fill(tile.wanted(), 0b111);
            tile.find();
            System.arraycopy(luminance, 0, tile.luminance(), 0, luminance.length);
            Arrays.fill(tile.wanted(), 0);
            tile.wanted()[0] = wanted;
            tile.wanted()[5] = wanted;
            float[] found = tile.find();
            for (int part = 0; part < 4; part++) {
                for (int row : new int[] {0, 5}) {
                    for (int x = 0; x < COLUMNS; x++) {
                        int at = tile.at(part, row) + x;
                        boolean isWanted = (wanted >> x / 48 & 1) == 1;
                        assertThat(!isWanted || found[at] == whole[at]).isTrue();
                    }
                }
            }
        }
    }
}
