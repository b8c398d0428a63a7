package embrick.core.found.level;

/**
 * The slopes of a grey picture, softened by a Gaussian of σ 1 pixel first (J. Canny, 1986).
 *
 * @param across rise to the right of each pixel, {@code down} downwards, in the picture's unit to a pixel
 */
record Slopes(int width, int height, float[] across, float[] down) {
    private static final float MIDDLE = 0.3989f;
    private static final float NEXT = 0.2420f;
    private static final float FAR = 0.0585f;

    static Slopes of(float[] tones, int width, int height) {
        float[] soft = softened(tones, width, height);
        float[] across = new float[width * height];
        float[] down = new float[width * height];
        for (int y = 1; y < height - 1; y++) {
            for (int i = y * width + 1; i < y * width + width - 1; i++) {
                across[i] = (soft[i + 1] - soft[i - 1]) / 2;
                down[i] = (soft[i + width] - soft[i - width]) / 2;
            }
        }
        return new Slopes(width, height, across, down);
    }

    private static float[] softened(float[] tones, int width, int height) {
        float[] rows = new float[tones.length];
        float[] soft = new float[tones.length];
        for (int y = 0; y < height; y++) {
            int row = y * width;
            for (int x = 2; x < width - 2; x++) {
                int i = row + x;
                rows[i] =
                        MIDDLE * tones[i] + NEXT * (tones[i - 1] + tones[i + 1]) + FAR * (tones[i - 2] + tones[i + 2]);
            }
            for (int x : new int[] {0, 1, width - 2, width - 1}) {
                rows[row + x] = tones[row + x];
            }
        }
        System.arraycopy(rows, 0, soft, 0, soft.length);
        for (int i = 2 * width; i < soft.length - 2 * width; i++) {
            soft[i] = MIDDLE * rows[i]
                    + NEXT * (rows[i - width] + rows[i + width])
                    + FAR * (rows[i - 2 * width] + rows[i + 2 * width]);
        }
        return soft;
    }
}
