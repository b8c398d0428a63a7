package embrick.core.found.scan;

/** A few linear equations. */
final class Linear {
    private Linear() {}

    /**
     * Gauss's elimination with the largest pivot of each column.
     *
     * @param equations rows of n factors and the sum; used up
     */
    static double[] solved(double[][] equations) {
        int n = equations.length;
        for (int column = 0; column < n; column++) {
            int pivot = column;
            for (int row = column + 1; row < n; row++) {
                if (Math.abs(equations[row][column]) > Math.abs(equations[pivot][column])) {
                    pivot = row;
                }
            }
            double[] swapped = equations[column];
            equations[column] = equations[pivot];
            equations[pivot] = swapped;
            for (int row = 0; row < n; row++) {
                if (row != column && equations[column][column] != 0) {
                    double factor = equations[row][column] / equations[column][column];
                    for (int k = column; k <= n; k++) {
                        equations[row][k] -= factor * equations[column][k];
                    }
                }
            }
        }
        double[] solution = new double[n];
        for (int row = 0; row < n; row++) {
            solution[row] = equations[row][row] == 0 ? 0 : equations[row][n] / equations[row][row];
        }
        return solution;
    }
}
