package embrick.core.print;

import embrick.core.colour.Transforms;
import embrick.core.edge.CaptionRenderer;
import embrick.core.grown.BareArea;
import embrick.core.grown.GapSamples;
import embrick.core.grown.Grower;
import embrick.core.grown.Grown;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import java.util.Optional;

/** Makes the pixels of a plan. */
public final class Printer {
    private Printer() {}

    /**
     * The output of a plan, made as it is asked for.
     *
     * @param original the decoded original that the plan was worked out for; stays the caller's
     * @param letters draws the caption, where the plan has one
     * @param grown of the plan's bare area, where it has one
     * @throws IllegalArgumentException if the original is not laid out as the plan says, or its background was not grown
     */
    public static Print print(
            Plan plan, Raster original, Transforms transforms, CaptionRenderer letters, Optional<GrownLayer> grown) {
        requirePlanned(plan, original);
        if (plan.growing().isPresent() && grown.isEmpty()) {
            throw new IllegalArgumentException("grown: expected the background that the plan grows, got none");
        }
        return new Print(plan, new Grounds(plan, original, transforms, grown), transforms, letters);
    }

    /** As above, of a plan that grows nothing. */
    public static Print print(Plan plan, Raster original, Transforms transforms, CaptionRenderer letters) {
        return print(plan, original, transforms, letters, Optional.empty());
    }

    /** As above, of a plan without a caption. */
    public static Print print(Plan plan, Raster original, Transforms transforms) {
        return print(plan, original, transforms, line -> {
            throw new IllegalArgumentException("letters: expected some for the caption “" + line.text() + "”");
        });
    }

    /**
     * Grows the background that a plan asks for, in the output's own pixels.
     *
     * @param into of the plan's bare area
     * @param progress what it throws ends the growing
     * @throws IllegalArgumentException if the original is not laid out as the plan says, or the plan grows nothing
     */
    public static Grown grow(
            Plan plan, Raster original, Transforms transforms, GapSamples into, Grower.Progress progress) {
        requirePlanned(plan, original);
        BareArea area = plan.bareArea()
                .orElseThrow(() -> new IllegalArgumentException("plan: expected one that grows a background"));
        PixelSource picture = new Grounds(plan, original, transforms, Optional.empty()).picture(area);
        int channels = plan.colour().to().model().channels();
        return Grower.grow(
                picture, channels, area, into, plan.growing().orElseThrow().attempt(), progress);
    }

    private static void requirePlanned(Plan plan, Raster original) {
        if (!original.stored().equals(plan.source().stored())
                || original.channels() != plan.source().channels()) {
            throw new IllegalArgumentException(
                    "original: expected " + plan.source().stored() + " with "
                            + plan.source().channels() + " channels, got " + original.stored() + " with "
                            + original.channels());
        }
    }
}
