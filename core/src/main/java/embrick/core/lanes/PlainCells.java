package embrick.core.lanes;

/** Where pixels fall in the cells of a table: plain Java, from one pixel to another. */
final class PlainCells {
    private static final int NODE = 4;

    private PlainCells() {}

    static void cellsOf(float[] in, int[] sides, int[] places, float[] parts, int row, int begin, int count) {
        int strideY = sides[2] * NODE;
        int strideX = sides[1] * strideY;
        for (int i = begin; i < count; i++) {
            float x = Math.clamp(in[i], 0f, 1f) * (sides[0] - 1);
            float y = Math.clamp(in[row + i], 0f, 1f) * (sides[1] - 1);
            float z = Math.clamp(in[2 * row + i], 0f, 1f) * (sides[2] - 1);
            int cellX = Math.min((int) x, sides[0] - 2);
            int cellY = Math.min((int) y, sides[1] - 2);
            int cellZ = Math.min((int) z, sides[2] - 2);
            places[i] = cellX * strideX + cellY * strideY + cellZ * NODE;
            parts[i] = x - cellX;
            parts[row + i] = y - cellY;
            parts[2 * row + i] = z - cellZ;
        }
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
            for (int c = at; c < at + NODE; c++) {
                out[i * NODE + c - at] = nodes[c] * (none * (1 - z))
                        + nodes[c + NODE] * (none * z)
                        + nodes[c + strideY] * (onlyY * (1 - z))
                        + nodes[c + strideY + NODE] * (onlyY * z)
                        + nodes[c + strideX] * (onlyX * (1 - z))
                        + nodes[c + strideX + NODE] * (onlyX * z)
                        + nodes[c + strideX + strideY] * (both * (1 - z))
                        + nodes[c + strideX + strideY + NODE] * (both * z);
            }
        }
    }

    static void tetrahedraOf(
            float[] in,
            int from,
            int[] sides,
            int first,
            int[] places,
            float[] weights,
            int row,
            int begin,
            int count) {
        int sideX = sides[first];
        int sideY = sides[first + 1];
        int sideZ = sides[first + 2];
        int strideY = sideZ * NODE;
        int strideX = sideY * strideY;
        for (int i = begin; i < count; i++) {
            float x = Math.clamp(in[from + i], 0f, 1f) * (sideX - 1);
            float y = Math.clamp(in[from + row + i], 0f, 1f) * (sideY - 1);
            float z = Math.clamp(in[from + 2 * row + i], 0f, 1f) * (sideZ - 1);
            int cellX = Math.min((int) x, sideX - 2);
            int cellY = Math.min((int) y, sideY - 2);
            int cellZ = Math.min((int) z, sideZ - 2);
            x -= cellX;
            y -= cellY;
            z -= cellZ;
            float most = Math.max(x, Math.max(y, z));
            float least = Math.min(x, Math.min(y, z));
            float middle = Math.max(Math.min(x, y), Math.min(Math.max(x, y), z));
            // Where parts are alike the weight between them is 0, and the way does not matter.
            int leading = x == most ? strideX : y == most ? strideY : NODE;
            int trailing = z == least ? NODE : y == least ? strideY : strideX;
            int corner = cellX * strideX + cellY * strideY + cellZ * NODE;
            int end = corner + strideX + strideY + NODE;
            set(places, weights, i, corner, 1 - most);
            set(places, weights, row + i, corner + leading, most - middle);
            set(places, weights, 2 * row + i, end - trailing, middle - least);
            set(places, weights, 3 * row + i, end, least);
        }
    }

    private static void set(int[] places, float[] weights, int at, int place, float weight) {
        places[at] = place;
        weights[at] = weight;
    }

    static void mixNodes(float[] nodes, int[] places, float[] weights, int taps, int row, float[] out, int count) {
        for (int p = 0; p < count; p++) {
            float a = 0;
            float b = 0;
            float c = 0;
            float d = 0;
            for (int t = p; t < taps * row; t += row) {
                int node = places[t];
                float weight = weights[t];
                a += nodes[node] * weight;
                b += nodes[node + 1] * weight;
                c += nodes[node + 2] * weight;
                d += nodes[node + 3] * weight;
            }
            out[p * 4] = a;
            out[p * 4 + 1] = b;
            out[p * 4 + 2] = c;
            out[p * 4 + 3] = d;
        }
    }
}
