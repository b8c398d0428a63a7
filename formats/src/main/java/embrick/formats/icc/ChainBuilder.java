package embrick.formats.icc;

import embrick.core.colour.Intent;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.colour.Xyz;
import embrick.core.colour.chain.Affine;
import embrick.core.colour.chain.Chain;
import embrick.core.colour.chain.LabSteps;
import embrick.core.colour.chain.Step;
import embrick.formats.icc.IccProfile.Connection;
import embrick.formats.icc.ProfileSteps.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Joins two profiles at the connection space: white to white, black to black where it is compensated, or as measured with
 * absolute intent (ICC.1:2022, 6.3.3; ISO 18619). Black points are found by Little CMS.
 */
final class ChainBuilder {
    private ChainBuilder() {}

    /** Empty where one of the profiles is built in a way that is not read here. */
    static Optional<Chain> between(IccProfile from, IccProfile to, Rendering rendering)
            throws UnusableProfileException {
        Optional<Side> source = ProfileSteps.toColour(from, rendering.intent());
        Optional<Side> target = ProfileSteps.toDevice(to, rendering.intent());
        if (source.isEmpty() || target.isEmpty()) {
            return Optional.empty();
        }
        Optional<Affine> fitted = fitted(from, to, rendering);
        List<Step> steps = new ArrayList<>(source.get().steps());
        boolean staysInLab = source.get().connection() == Connection.LAB
                && target.get().connection() == Connection.LAB
                && fitted.isEmpty();
        if (!staysInLab) {
            if (source.get().connection() == Connection.LAB) {
                steps.addAll(LabSteps.toXyz());
            }
            fitted.ifPresent(steps::add);
            if (target.get().connection() == Connection.LAB) {
                steps.addAll(LabSteps.fromXyz());
            }
        }
        steps.addAll(target.get().steps());
        return Optional.of(new Chain(steps));
    }

    /** From device to L*a*b*, relative to the medium's white. */
    static Optional<Chain> toLab(IccProfile from, Intent intent) throws UnusableProfileException {
        Optional<Side> source = ProfileSteps.toColour(from, intent);
        if (source.isEmpty()) {
            return Optional.empty();
        }
        List<Step> steps = new ArrayList<>(source.get().steps());
        if (source.get().connection() == Connection.XYZ) {
            steps.addAll(LabSteps.fromXyz());
        }
        return Optional.of(new Chain(steps));
    }

    private static Optional<Affine> fitted(IccProfile from, IccProfile to, Rendering rendering) {
        if (rendering.intent() == Intent.ABSOLUTE) {
            return whites(from.white(), to.white());
        }
        // Version 4 means its perceptual tables to be come to black to black (ICC.1:2022, annex F.2; so does Little
        // CMS).
        boolean isForced = rendering.intent() != Intent.RELATIVE && to.majorVersion() >= 4;
        return isForced || rendering.blackPoint() == BlackPoint.COMPENSATED
                ? blacks(from, to, rendering.intent())
                : Optional.empty();
    }

    private static Optional<Affine> whites(Xyz from, Xyz to) {
        return from.equals(to)
                ? Optional.empty()
                : Optional.of(Affine.ofEach(
                        new double[] {from.x() / to.x(), from.y() / to.y(), from.z() / to.z()}, new double[3]));
    }

    /** ISO 18619: a straight line in XYZ that keeps white and takes one black to the other. */
    private static Optional<Affine> blacks(IccProfile from, IccProfile to, Intent intent) {
        try (LittleCms.Profile source = new LittleCms.Profile(from.bytes());
                LittleCms.Profile target = new LittleCms.Profile(to.bytes())) {
            Xyz black = source.blackPoint(intent);
            Xyz other = target.targetBlackPoint(intent);
            if (black.equals(other)) {
                return Optional.empty();
            }
            double[] scale = new double[3];
            double[] offset = new double[3];
            line(black.x(), other.x(), Xyz.D50.x(), scale, offset, 0);
            line(black.y(), other.y(), Xyz.D50.y(), scale, offset, 1);
            line(black.z(), other.z(), Xyz.D50.z(), scale, offset, 2);
            return Optional.of(Affine.ofEach(scale, offset));
        }
    }

    private static void line(double from, double to, double white, double[] scale, double[] offset, int axis) {
        scale[axis] = (to - white) / (from - white);
        offset[axis] = -white * (to - from) / (from - white);
    }
}
