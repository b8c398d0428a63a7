package embrick.bench.train;

import embrick.core.lanes.PlaneLanes;
import embrick.core.lanes.PlaneLanes.Filters;
import java.util.Random;

/** A layer that is being trained: its filters, and the steps they have taken (Adam, Kingma and Ba 2015). */
final class Layer {
    private static final float OF_MEAN = 0.9f;
    private static final float OF_SQUARES = 0.999f;
    private static final double LEAST = 1e-8;

    private final int outputs;
    private final Filters filters;
    private final Steps ofWeights;
    private final Steps ofBiases;

    Layer(int inputs, int outputs, int side, float leak) {
        this.outputs = outputs;
        this.filters = new Filters(inputs, side, new float[inputs * outputs * side * side], new float[outputs], leak);
        this.ofWeights = new Steps(filters.weights());
        this.ofBiases = new Steps(filters.biases());
    }

    /** Weights by lot, as wide as keeps what goes through as large as it was (He et al. 2015), times a share of that. */
    Layer begun(Random lot, double share) {
        double deviation = Math.sqrt(2.0 / (filters.inputs() * filters.side() * filters.side())) * share;
        for (int i = 0; i < filters.weights().length; i++) {
            filters.weights()[i] = (float) (lot.nextGaussian() * deviation);
        }
        return this;
    }

    Filters filters() {
        return filters;
    }

    int outputs() {
        return outputs;
    }

    int groups() {
        return outputs / PlaneLanes.OUTPUTS_TOGETHER;
    }

    /** Where the weight of an output for an input stands. */
    int at(int output, int input, int dy, int dx) {
        int group = output / PlaneLanes.OUTPUTS_TOGETHER;
        int side = filters.side();
        return (((group * filters.inputs() + input) * side + dy) * side + dx) * PlaneLanes.OUTPUTS_TOGETHER
                + output % PlaneLanes.OUTPUTS_TOGETHER;
    }

    /**
     * @param number counted from 1
     * @param rate how far
     */
    void step(float[] weights, float[] biases, int number, double rate) {
        ofWeights.take(weights, number, rate);
        ofBiases.take(biases, number, rate);
    }

    private static final class Steps {
        private final float[] values;
        private final float[] mean;
        private final float[] squares;

        Steps(float[] values) {
            this.values = values;
            this.mean = new float[values.length];
            this.squares = new float[values.length];
        }

        void take(float[] gradient, int number, double rate) {
            double mended = 1 - Math.pow(OF_MEAN, number);
            double squaresMended = 1 - Math.pow(OF_SQUARES, number);
            for (int i = 0; i < values.length; i++) {
                float g = gradient[i];
                mean[i] = OF_MEAN * mean[i] + (1 - OF_MEAN) * g;
                squares[i] = OF_SQUARES * squares[i] + (1 - OF_SQUARES) * g * g;
                values[i] -= (float) (rate * (mean[i] / mended) / (Math.sqrt(squares[i] / squaresMended) + LEAST));
            }
        }
    }
}
