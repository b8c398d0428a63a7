package embrick.bench.train;

import embrick.bench.train.Gradients.Planes;
import embrick.core.lanes.Lanes;
import embrick.core.lanes.PlaneLanes;
import embrick.core.lanes.PlaneLanes.Filters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A square of pixels on its way through all layers, and the blame for what is wrong with it on its way back. */
final class PatchPass {
    private final Lanes lanes = Lanes.best();
    private final List<Layer> layers;
    private final int apart;
    private final List<Stage> stages = new ArrayList<>();
    private final float[] back;
    private final float[] sums = new float[Gradients.TOGETHER * PlaneLanes.OUTPUTS_TOGETHER];

    /** What goes into a layer, or out of the last: planes of side × side. */
    private static final class Stage {
        final int side;
        final float[] values;
        /** By how much each value is wrong, round it as many zeros as the layer before reads beside it. */
        final float[] blame;

        final int margin;
        final int blamePlane;
        /** Sums over patches, of the layer that made this. */
        final float[] weights;

        final float[] biases;

        Stage(int planes, int side, int apart, int margin, int weights) {
            this.side = side;
            this.margin = margin;
            this.values = new float[planes * side * apart + Lanes.SLACK];
            this.blamePlane = (side + 2 * margin) * apart;
            this.blame = new float[planes * blamePlane + Lanes.SLACK];
            this.weights = new float[weights];
            this.biases = new float[planes];
        }
    }

    PatchPass(List<Layer> layers, int side) {
        this.layers = layers;
        this.apart = Math.ceilDiv(side, PlaneLanes.ROW) * PlaneLanes.ROW + Lanes.SLACK;
        stages.add(new Stage(layers.getFirst().filters().inputs(), side, apart, 0, 0));
        int left = side;
        for (Layer layer : layers) {
            int margin = layer.filters().side() - 1;
            left -= margin;
            stages.add(new Stage(
                    layer.outputs(), left, apart, margin, layer.filters().weights().length));
        }
        this.back = new float[PlaneLanes.OUTPUTS_TOGETHER * apart + Lanes.SLACK];
    }

    int apart() {
        return apart;
    }

    /** Where the patch is to be put, rows {@link #apart}. */
    float[] patch() {
        return stages.getFirst().values;
    }

    /** What the last layer made, planes of {@link #madeSide} rows. */
    float[] made() {
        return stages.getLast().values;
    }

    int madeSide() {
        return stages.getLast().side;
    }

    /** Says by how much a value that the last layer made is wrong. */
    void blame(int plane, int x, int y, float blame) {
        Stage last = stages.getLast();
        last.blame[plane * last.blamePlane + (y + last.margin) * apart + last.margin + x] = blame;
    }

    void clear() {
        for (Stage stage : stages) {
            Arrays.fill(stage.weights, 0);
            Arrays.fill(stage.biases, 0);
        }
    }

    float[] weights(int layer) {
        return stages.get(layer + 1).weights;
    }

    float[] biases(int layer) {
        return stages.get(layer + 1).biases;
    }

    void forward() {
        for (int l = 0; l < layers.size(); l++) {
            Stage from = stages.get(l);
            Stage to = stages.get(l + 1);
            Filters filters = layers.get(l).filters();
            int[] taps = filters.taps(from.side, 0, apart);
            for (int y = 0; y < to.side; y++) {
                for (int group = 0; group < layers.get(l).groups(); group++) {
                    lanes.filterRow(
                            from.values,
                            y * apart,
                            taps,
                            filters,
                            group,
                            to.values,
                            (group * PlaneLanes.OUTPUTS_TOGETHER * to.side + y) * apart,
                            to.side * apart,
                            to.side);
                }
            }
        }
    }

    void backward() {
        for (int l = layers.size() - 1; l >= 0; l--) {
            blameWeights(layers.get(l), stages.get(l), stages.get(l + 1));
            if (l > 0) {
                blameInputs(
                        layers.get(l),
                        stages.get(l),
                        stages.get(l + 1),
                        layers.get(l - 1).filters().leak());
            }
        }
    }

    private void blameWeights(Layer layer, Stage from, Stage to) {
        Filters filters = layer.filters();
        int side = filters.side();
        int inside = to.margin * apart + to.margin;
        for (int o = 0; o < layer.outputs(); o++) {
            float sum = 0;
            for (int y = 0; y < to.side; y++) {
                for (int x = 0; x < to.side; x++) {
                    sum += to.blame[o * to.blamePlane + inside + y * apart + x];
                }
            }
            to.biases[o] += sum;
        }
        for (int o = 0; o < layer.outputs(); o += PlaneLanes.OUTPUTS_TOGETHER) {
            Planes blame = new Planes(to.blame, o * to.blamePlane + inside, to.blamePlane, apart);
            for (int c = 0; c < filters.inputs(); c++) {
                for (int dy = 0; dy < side; dy++) {
                    for (int dx = 0; dx < side; dx += Gradients.TOGETHER) {
                        Gradients.sum(
                                blame, from.values, (c * from.side + dy) * apart + dx, apart, to.side, to.side, sums);
                        int at = layer.at(o, c, dy, dx);
                        int count = Math.min(Gradients.TOGETHER, side - dx) * PlaneLanes.OUTPUTS_TOGETHER;
                        for (int i = 0; i < count; i++) {
                            to.weights[at + i] += sums[i];
                        }
                    }
                }
            }
        }
    }

    /** The same filters turned round, from outputs to inputs, over blame with a margin of zeros. */
    private void blameInputs(Layer layer, Stage from, Stage to, float leak) {
        Filters turned = turned(layer);
        int[] taps = turned.taps(to.side + 2 * to.margin, 0, apart);
        int inputs = layer.filters().inputs();
        for (int y = 0; y < from.side; y++) {
            for (int c = 0; c < inputs; c += PlaneLanes.OUTPUTS_TOGETHER) {
                lanes.filterRow(
                        to.blame, y * apart, taps, turned, c / PlaneLanes.OUTPUTS_TOGETHER, back, 0, apart, from.side);
                for (int k = 0; k < PlaneLanes.OUTPUTS_TOGETHER; k++) {
                    int value = ((c + k) * from.side + y) * apart;
                    int blame = (c + k) * from.blamePlane + (y + from.margin) * apart + from.margin;
                    for (int x = 0; x < from.side; x++) {
                        float of = back[k * apart + x];
                        from.blame[blame + x] = from.values[value + x] >= 0 ? of : of * leak;
                    }
                }
            }
        }
    }

    private static Filters turned(Layer layer) {
        Filters filters = layer.filters();
        int side = filters.side();
        Layer turned = new Layer(layer.outputs(), filters.inputs(), side, 1);
        for (int o = 0; o < layer.outputs(); o++) {
            for (int c = 0; c < filters.inputs(); c++) {
                for (int dy = 0; dy < side; dy++) {
                    for (int dx = 0; dx < side; dx++) {
                        turned.filters().weights()[turned.at(c, o, side - 1 - dy, side - 1 - dx)] =
                                filters.weights()[layer.at(o, c, dy, dx)];
                    }
                }
            }
        }
        return turned.filters();
    }
}
