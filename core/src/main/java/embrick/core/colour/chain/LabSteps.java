package embrick.core.colour.chain;

import embrick.core.colour.Xyz;
import embrick.core.lanes.Lanes;
import java.util.List;

/** From XYZ to L*a*b* and back, both under D50 and as they are: Y of white 1, L* of white 100. */
public final class LabSteps {
    /** Values up to so much of white keep their place: all that ICC.1's encoding of XYZ holds, 1.99997, under D50. */
    private static final double ROOM = 2.5;

    private static final int ROOT_ENTRIES = 4096;
    private static final double EPSILON = 216.0 / 24389;
    private static final double KAPPA = 24389.0 / 27;

    private LabSteps() {}

    public static List<Step> fromXyz() {
        float[] table = new float[ROOT_ENTRIES + 2];
        for (int i = 0; i <= ROOT_ENTRIES; i++) {
            double root = (double) i / ROOT_ENTRIES;
            double share = root * root * root * root * ROOM;
            table[i] = (float) (share > EPSILON ? Math.cbrt(share) : (KAPPA * share + 16) / 116);
        }
        table[ROOT_ENTRIES + 1] = table[ROOT_ENTRIES];
        return List.of(
                Affine.ofEach(
                        new double[] {1 / (Xyz.D50.x() * ROOM), 1 / (Xyz.D50.y() * ROOM), 1 / (Xyz.D50.z() * ROOM)},
                        new double[3]),
                new Roots(table),
                new Affine(new double[][] {{0, 116, 0}, {500, -500, 0}, {0, 200, -200}}, new double[] {-16, 0, 0}));
    }

    public static List<Step> toXyz() {
        return List.of(
                new Affine(
                        new double[][] {{1 / 116.0, 1 / 500.0, 0}, {1 / 116.0, 0, 0}, {1 / 116.0, 0, -1 / 200.0}},
                        new double[] {16 / 116.0, 16 / 116.0, 16 / 116.0}),
                new Cubes(),
                Affine.ofEach(new double[] {Xyz.D50.x(), Xyz.D50.y(), Xyz.D50.z()}, new double[3]));
    }

    /** The cube root with its line near black, which goes on below it: compensated blacks can lie a little under none. */
    private static final class Roots extends Step {
        private static final float BELOW = (float) (KAPPA / 116 * ROOM);

        private final Lanes lanes = Lanes.best();
        private final float[] table;

        Roots(float[] table) {
            super(3, 3);
            this.table = table;
        }

        @Override
        void apply(Block in, Block out, int pixels) {
            for (int channel = 0; channel < 3; channel++) {
                int plane = channel * Block.ROW;
                lanes.lookUpRootAndBelow(table, BELOW, in.planes, plane, out.planes, plane, pixels);
            }
        }
    }

    /** The way back of the root: a cube, a line near black. */
    private static final class Cubes extends Step {
        private static final float BREAK = 6f / 29;
        private static final float SLOPE = (float) (116 / KAPPA);
        private static final float FOOT = (float) (16 / KAPPA);

        Cubes() {
            super(3, 3);
        }

        @Override
        void apply(Block in, Block out, int pixels) {
            for (int channel = 0; channel < 3; channel++) {
                int plane = channel * Block.ROW;
                for (int i = plane; i < plane + pixels; i++) {
                    float root = in.planes[i];
                    out.planes[i] = root > BREAK ? root * root * root : root * SLOPE - FOOT;
                }
            }
        }
    }
}
