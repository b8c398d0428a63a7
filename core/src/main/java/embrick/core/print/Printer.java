package embrick.core.print;

import embrick.core.colour.Transforms;
import embrick.core.edge.CaptionRenderer;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;

/** Makes the pixels of a plan. */
public final class Printer {
    private Printer() {}

    /**
     * The output of a plan, made as it is asked for.
     *
     * @param original the decoded original that the plan was worked out for; stays the caller's
     * @param letters draws the caption, where the plan has one
     * @throws IllegalArgumentException if the original is not laid out as the plan says
     */
    public static Print print(Plan plan, Raster original, Transforms transforms, CaptionRenderer letters) {
        if (!original.stored().equals(plan.source().stored())
                || original.channels() != plan.source().channels()) {
            throw new IllegalArgumentException(
                    "original: expected " + plan.source().stored() + " with "
                            + plan.source().channels() + " channels, got " + original.stored() + " with "
                            + original.channels());
        }
        return new Print(plan, original, transforms, letters);
    }

    /** As {@link #print(Plan, Raster, Transforms, CaptionRenderer)}, of a plan without a caption. */
    public static Print print(Plan plan, Raster original, Transforms transforms) {
        return print(plan, original, transforms, line -> {
            throw new IllegalArgumentException("letters: expected some for the caption “" + line.text() + "”");
        });
    }
}
