package embrick.bench.train;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The blame that goes back through the layers, held against differences. */
class PatchPassTest {
    private static final int SIDE = 17;

    private final Random lot = new Random(3);
    private final List<Layer> layers = List.of(
            new Layer(1, 8, 5, 0.125f).begun(lot, 1),
            new Layer(8, 4, 3, 0.125f).begun(lot, 1),
            new Layer(4, 4, 3, 1).begun(lot, 1));
    private final PatchPass pass = new PatchPass(layers, SIDE);

    /** All that is made, each by a weight that was drawn: exact to differences where nothing bends. */
    private double loss() {
        pass.forward();
        Random weights = new Random(5);
        double loss = 0;
        for (int plane = 0; plane < 4; plane++) {
            for (int y = 0; y < pass.madeSide(); y++) {
                for (int x = 0; x < pass.madeSide(); x++) {
                    float weight = weights.nextFloat() - 0.5f;
                    loss += weight * (double) pass.made()[(plane * pass.madeSide() + y) * pass.apart() + x];
                    pass.blame(plane, x, y, weight);
                }
            }
        }
        return loss;
    }

    /** All sums of a plane lie on one side of 0, far from where the leak bends them: differences are exact then. */
    private void farFromZero() {
        for (int l = 0; l < layers.size(); l++) {
            float[] biases = layers.get(l).filters().biases();
            for (int i = 0; i < biases.length; i++) {
                biases[i] = (l == 0 ? 4 : 40) * (i % 2 == 0 ? 1 : -1);
            }
        }
    }

    @Test
    void everyWeightIsToBlameForWhatItDoes() {
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                pass.patch()[y * pass.apart() + x] = lot.nextFloat() - 0.5f;
            }
        }
        farFromZero();
        pass.clear();
        loss();
        pass.backward();
        for (int l = 0; l < layers.size(); l++) {
            float[] weights = layers.get(l).filters().weights();
            for (int i = 0; i < weights.length; i += 7) {
                assertThat((double) pass.weights(l)[i])
                        .as("weight %d of layer %d", i, l)
                        .isCloseTo(difference(weights, i), within(0.04 * Math.max(1, Math.abs(pass.weights(l)[i]))));
            }
            float[] biases = layers.get(l).filters().biases();
            for (int i = 0; i < biases.length; i++) {
                assertThat((double) pass.biases(l)[i])
                        .as("bias %d of layer %d", i, l)
                        .isCloseTo(difference(biases, i), within(0.04 * Math.max(1, Math.abs(pass.biases(l)[i]))));
            }
        }
    }

    private double difference(float[] values, int at) {
        float was = values[at];
        float step = 0.03f;
        values[at] = was + step;
        double more = loss();
        values[at] = was - step;
        double less = loss();
        values[at] = was;
        return (more - less) / (2 * step);
    }
}
