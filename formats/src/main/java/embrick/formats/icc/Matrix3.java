package embrick.formats.icc;

/** 3 × 3 matrices, row after row. */
final class Matrix3 {
    private Matrix3() {}

    static double[] times(double[][] m, double[] v) {
        double[] product = new double[3];
        for (int row = 0; row < 3; row++) {
            product[row] = m[row][0] * v[0] + m[row][1] * v[1] + m[row][2] * v[2];
        }
        return product;
    }

    static double[][] times(double[][] a, double[][] b) {
        double[][] product = new double[3][3];
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                for (int k = 0; k < 3; k++) {
                    product[row][column] += a[row][k] * b[k][column];
                }
            }
        }
        return product;
    }

    /** By cofactors. */
    static double[][] inverse(double[][] m) {
        double[][] inverse = new double[3][3];
        double determinant = 0;
        for (int column = 0; column < 3; column++) {
            determinant += m[0][column] * cofactor(m, 0, column);
        }
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                inverse[row][column] = cofactor(m, column, row) / determinant;
            }
        }
        return inverse;
    }

    private static double cofactor(double[][] m, int row, int column) {
        int a = (row + 1) % 3;
        int b = (row + 2) % 3;
        int c = (column + 1) % 3;
        int d = (column + 2) % 3;
        return m[a][c] * m[b][d] - m[a][d] * m[b][c];
    }
}
