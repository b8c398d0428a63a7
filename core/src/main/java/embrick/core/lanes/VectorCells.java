package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/** As {@link PlainCells}, a register of pixels at a time. Each loop gives how many it has done; the rest is the caller's. */
final class VectorCells {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();
    private static final VectorSpecies<Float> FOUR = FloatVector.SPECIES_128;
    private static final int NODE = 4;

    private VectorCells() {}

    static int mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int count) {
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector x = FloatVector.fromArray(WIDE, in, i);
            FloatVector y = FloatVector.fromArray(WIDE, in, row + i);
            FloatVector z = FloatVector.fromArray(WIDE, in, 2 * row + i);
            for (int plane = 0; plane < planesOut; plane++) {
                x.mul(matrix[plane * 4])
                        .add(y.mul(matrix[plane * 4 + 1]))
                        .add(z.mul(matrix[plane * 4 + 2]))
                        .add(matrix[plane * 4 + 3])
                        .intoArray(out, plane * row + i);
            }
        }
        return i;
    }

    /** A place along one channel in cells; the cell, never the last node's own, and the part into it. */
    private static FloatVector along(float[] in, int at, int side) {
        return FloatVector.fromArray(WIDE, in, at).max(0f).min(1f).mul(side - 1);
    }

    private static IntVector cell(FloatVector place, int side) {
        return ((IntVector) place.convert(VectorOperators.F2I, 0)).min(side - 2);
    }

    private static FloatVector part(FloatVector place, IntVector cell) {
        return place.sub((FloatVector) cell.convert(VectorOperators.I2F, 0));
    }

    static int cellsOf(float[] in, int[] sides, int[] places, float[] parts, int row, int count) {
        int strideY = sides[2] * NODE;
        int strideX = sides[1] * strideY;
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector x = along(in, i, sides[0]);
            FloatVector y = along(in, row + i, sides[1]);
            FloatVector z = along(in, 2 * row + i, sides[2]);
            IntVector cellX = cell(x, sides[0]);
            IntVector cellY = cell(y, sides[1]);
            IntVector cellZ = cell(z, sides[2]);
            cellX.mul(strideX).add(cellY.mul(strideY)).add(cellZ.mul(NODE)).intoArray(places, i);
            part(x, cellX).intoArray(parts, i);
            part(y, cellY).intoArray(parts, row + i);
            part(z, cellZ).intoArray(parts, 2 * row + i);
        }
        return i;
    }

    static void mixCorners(float[] nodes, int[] sides, int[] places, float[] parts, int row, float[] out, int count) {
        int strideY = sides[2] * NODE;
        int strideX = sides[1] * strideY;
        for (int i = 0; i < count; i++) {
            int at = places[i];
            float x = parts[i];
            float y = parts[row + i];
            float z = parts[2 * row + i];
            float none = (1 - x) * (1 - y);
            float onlyY = (1 - x) * y;
            float onlyX = x * (1 - y);
            float both = x * y;
            FloatVector.fromArray(FOUR, nodes, at)
                    .mul(none * (1 - z))
                    .add(FloatVector.fromArray(FOUR, nodes, at + NODE).mul(none * z))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideY).mul(onlyY * (1 - z)))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideY + NODE).mul(onlyY * z))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideX).mul(onlyX * (1 - z)))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideX + NODE).mul(onlyX * z))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideX + strideY)
                            .mul(both * (1 - z)))
                    .add(FloatVector.fromArray(FOUR, nodes, at + strideX + strideY + NODE)
                            .mul(both * z))
                    .intoArray(out, i * NODE);
        }
    }

    static int tetrahedraOf(
            float[] in, int from, int[] sides, int first, int[] places, float[] weights, int row, int count) {
        int strideY = sides[first + 2] * NODE;
        int strideX = sides[first + 1] * strideY;
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector atX = along(in, from + i, sides[first]);
            FloatVector atY = along(in, from + row + i, sides[first + 1]);
            FloatVector atZ = along(in, from + 2 * row + i, sides[first + 2]);
            IntVector cellX = cell(atX, sides[first]);
            IntVector cellY = cell(atY, sides[first + 1]);
            IntVector cellZ = cell(atZ, sides[first + 2]);
            FloatVector x = part(atX, cellX);
            FloatVector y = part(atY, cellY);
            FloatVector z = part(atZ, cellZ);
            FloatVector most = x.max(y.max(z));
            FloatVector least = x.min(y.min(z));
            FloatVector middle = x.min(y).max(x.max(y).min(z));
            IntVector node = IntVector.broadcast(IntVector.SPECIES_PREFERRED, NODE);
            IntVector leading = node.blend(strideY, y.eq(most).cast(IntVector.SPECIES_PREFERRED))
                    .blend(strideX, x.eq(most).cast(IntVector.SPECIES_PREFERRED));
            IntVector trailing = IntVector.broadcast(IntVector.SPECIES_PREFERRED, strideX)
                    .blend(strideY, y.eq(least).cast(IntVector.SPECIES_PREFERRED))
                    .blend(NODE, z.eq(least).cast(IntVector.SPECIES_PREFERRED));
            IntVector corner = cellX.mul(strideX).add(cellY.mul(strideY)).add(cellZ.mul(NODE));
            IntVector end = corner.add(strideX + strideY + NODE);
            corner.intoArray(places, i);
            FloatVector.broadcast(WIDE, 1f).sub(most).intoArray(weights, i);
            corner.add(leading).intoArray(places, row + i);
            most.sub(middle).intoArray(weights, row + i);
            end.sub(trailing).intoArray(places, 2 * row + i);
            middle.sub(least).intoArray(weights, 2 * row + i);
            end.intoArray(places, 3 * row + i);
            least.intoArray(weights, 3 * row + i);
        }
        return i;
    }
}
