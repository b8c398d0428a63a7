package embrick.core.gamut;

import embrick.core.colour.Ciede2000;
import embrick.core.colour.ColourPath;
import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import java.util.BitSet;

/**
 * Holds colours against what a print makes of them.
 *
 * <p>A colour cannot be printed when it comes back from the output's profile, sent there with relative intent and without
 * compensation, more than {@link #BEYOND} of ΔE00 away: Embrick's rule. What the chosen intent does to it is another
 * question, and measured beside it. One thread's own.
 */
public final class GamutCheck {
    /** ΔE00 from which people see a difference side by side without looking for it (common practice, no source). */
    public static final double BEYOND = 2;

    /**
     * Where ΔE*ab is less, ΔE00 cannot pass {@link #BEYOND}: its weights only lessen, but for a* near grey, which counts up
     * to 1.5 times, and the turn of blues, which can double the square.
     */
    private static final double CERTAINLY_WITHIN = BEYOND / (1.5 * 1.415);

    private static final int TOGETHER = 4096;

    private final int channels;
    private final int outChannels;
    private final boolean isKept;
    private final Transform look;
    private final Transform lookOfPrint;
    private final Transform chosen;
    private final Transform nearest;
    private final float[] device;
    private final float[] seen = new float[TOGETHER * 3];
    private final float[] printed = new float[TOGETHER * 3];

    private long pixels;
    private long beyond;
    private double sum;

    public GamutCheck(ColourPath path, Transforms transforms) {
        this.channels = path.from().model().channels();
        this.outChannels = path.to().model().channels();
        this.isKept = path.from().equals(path.to());
        this.look = transforms.toLab(path.from());
        this.lookOfPrint = transforms.toLab(path.to());
        this.chosen = transforms.along(path);
        this.nearest = transforms.along(new ColourPath(path.from(), path.to(), Rendering.RELATIVE_PLAIN));
        this.device = new float[TOGETHER * outChannels];
    }

    /**
     * Adds pixels to what {@link #loss} tells.
     * Shapes: pixels × channels of the source from {@code from} on, interleaved. Units: 0..1 of its encoding.
     */
    public void measure(float[] source, int from, int count) {
        pixels += count;
        if (isKept) {
            return;
        }
        for (int done = 0; done < count; done += TOGETHER) {
            int now = Math.min(TOGETHER, count - done);
            int at = from + done * channels;
            look.apply(source, at, seen, 0, now);
            comeBack(chosen, source, at, now);
            for (int i = 0; i < now; i++) {
                sum += difference(i);
            }
            comeBack(nearest, source, at, now);
            for (int i = 0; i < now; i++) {
                beyond += isBeyond(i) ? 1 : 0;
            }
        }
    }

    /** Which of some pixels cannot be printed; shapes as {@link #measure}. */
    public BitSet beyond(float[] source, int from, int count) {
        BitSet found = new BitSet(count);
        for (int done = 0; !isKept && done < count; done += TOGETHER) {
            int now = Math.min(TOGETHER, count - done);
            int at = from + done * channels;
            look.apply(source, at, seen, 0, now);
            comeBack(nearest, source, at, now);
            for (int i = 0; i < now; i++) {
                found.set(done + i, isBeyond(i));
            }
        }
        return found;
    }

    private void comeBack(Transform there, float[] source, int at, int count) {
        there.apply(source, at, device, 0, count);
        lookOfPrint.apply(device, 0, printed, 0, count);
    }

    private double difference(int i) {
        return Ciede2000.between(
                seen[3 * i], seen[3 * i + 1], seen[3 * i + 2], printed[3 * i], printed[3 * i + 1], printed[3 * i + 2]);
    }

    private boolean isBeyond(int i) {
        double l = seen[3 * i] - printed[3 * i];
        double a = seen[3 * i + 1] - printed[3 * i + 1];
        double b = seen[3 * i + 2] - printed[3 * i + 2];
        boolean isNear = l * l + a * a + b * b < CERTAINLY_WITHIN * CERTAINLY_WITHIN;
        return !isNear && difference(i) > BEYOND;
    }

    /** Of all that was measured. */
    public GamutLoss loss() {
        return new GamutLoss(pixels, beyond, pixels == 0 ? 0 : sum / pixels);
    }
}
