package embrick.bench.train;

import embrick.bench.train.Pairs.Pair;
import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.lanes.PlaneLanes.Filters;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/**
 * {@code ./embrick train clean|softening [STEPS] [FILE]}: trains filters and writes them as they ship.
 *
 * <p>What is made least is the mean square of what is wrong with the luminance, as a share of what is wrong with it by Lanczos
 * 3, so that each photograph counts alike, however hard it is. Everything that is drawn by lot has a seed, and sums run in one
 * order: the same packages and the same vectors give the same bytes.
 */
public final class Training {
    /** Planes between the pixels and the four parts of each. */
    private static final int[] PLANES = {8, 8, 8};

    private static final int FIRST_SIDE = 5;
    private static final int SIDE = 3;
    private static final float LEAK = 0.125f;
    /** Pixels of a patch that are asked of the filters, across and down. */
    private static final int ASKED = 38;

    private static final int PATCHES = 16;
    private static final int THREADS = 2;
    private static final int STEPS = 30_000;
    private static final double RATE = 3e-3;
    private static final int WARMING = 500;
    private static final int TELL_EVERY = 1000;

    private final List<Pair> pairs;
    private final List<Layer> layers;
    private final int steps;

    private Training(List<Pair> pairs, List<Layer> layers, int steps) {
        this.pairs = pairs;
        this.layers = layers;
        this.steps = steps;
    }

    public static void main(String[] words) throws Exception {
        String what = words.length > 0 ? words[0] : "clean";
        if (!List.of("clean", "softening").contains(what)) {
            throw new IllegalArgumentException("expected clean or softening, got " + what);
        }
        int steps = words.length > 1 ? Integer.parseInt(words[1]) : STEPS;
        Path file = Path.of(words.length > 2 ? words[2] : what + ".filters");
        List<Photograph> photographs = TrainingPhotographs.all().stream()
                .filter(photograph -> !photograph.isSetAside())
                .toList();
        List<Pair> pairs = new Pairs("softening".equals(what)).of(photographs);
        System.out.println(photographs.size() + " photographs, " + pairs.size() + " pairs");
        Files.write(file, trained(pairs, steps));
        System.out.println("written: " + file);
    }

    /** Filters as they ship, from pairs alone: the same pairs give the same bytes. */
    static byte[] trained(List<Pair> pairs, int steps) throws IOException, InterruptedException, ExecutionException {
        Training training = new Training(pairs, begun(new Random(42)), steps);
        training.train();
        return training.bytes();
    }

    private static List<Layer> begun(Random lot) {
        List<Layer> layers = new ArrayList<>();
        int inputs = 1;
        for (int i = 0; i < PLANES.length; i++) {
            layers.add(new Layer(inputs, PLANES[i], i == 0 ? FIRST_SIDE : SIDE, LEAK).begun(lot, 1));
            inputs = PLANES[i];
        }
        // What is added to Lanczos 3 begins near nothing.
        layers.add(new Layer(inputs, Patch.PARTS, SIDE, 1).begun(lot, 0.1));
        return layers;
    }

    private void train() throws InterruptedException, ExecutionException {
        int radius =
                layers.stream().mapToInt(layer -> layer.filters().side() / 2).sum();
        List<Patch> patches = new ArrayList<>();
        for (int i = 0; i < THREADS; i++) {
            patches.add(new Patch(pairs, new PatchPass(layers, ASKED + 2 * radius), radius));
        }
        Random lot = new Random(99);
        double smoothed = 0;
        try (ExecutorService threads = Executors.newFixedThreadPool(THREADS)) {
            for (int step = 1; step <= steps; step++) {
                List<Future<Double>> losses = new ArrayList<>();
                for (Patch patch : patches) {
                    long seed = lot.nextLong();
                    losses.add(threads.submit(() -> patch.lossOf(PATCHES / THREADS, new Random(seed))));
                }
                double loss = 0;
                for (Future<Double> of : losses) {
                    loss += of.get() / PATCHES;
                }
                take(patches, step);
                smoothed = step == 1 ? loss : 0.999 * smoothed + 0.001 * loss;
                if (step % TELL_EVERY == 0) {
                    System.out.printf(Locale.ROOT, "step %d: %.4f of what Lanczos 3 leaves%n", step, smoothed);
                }
            }
        }
    }

    private void take(List<Patch> patches, int step) {
        // Slowly at first, then down along a cosine (Loshchilov and Hutter 2017).
        double rate = RATE * 0.5 * (1 + Math.cos(Math.PI * step / steps)) * Math.min(1, (double) step / WARMING) + 1e-6;
        for (int l = 0; l < layers.size(); l++) {
            float[] weights = new float[layers.get(l).filters().weights().length];
            float[] biases = new float[layers.get(l).outputs()];
            for (Patch patch : patches) {
                add(patch.pass().weights(l), weights);
                add(patch.pass().biases(l), biases);
            }
            layers.get(l).step(weights, biases, step, rate);
        }
    }

    private static void add(float[] from, float[] to) {
        for (int i = 0; i < to.length; i++) {
            to[i] += from[i] / PATCHES;
        }
    }

    /** As they ship: {@code embrick.core.learned.ShippedFilters} says how. */
    private byte[] bytes() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeInt(layers.size());
        for (Layer layer : layers) {
            Filters filters = layer.filters();
            out.writeInt(filters.inputs());
            out.writeInt(layer.outputs());
            out.writeInt(filters.side());
            out.writeFloat(filters.leak());
            for (float weight : filters.weights()) {
                out.writeFloat(weight);
            }
            for (float bias : filters.biases()) {
                out.writeFloat(bias);
            }
        }
        return bytes.toByteArray();
    }
}
