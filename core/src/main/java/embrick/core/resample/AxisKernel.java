package embrick.core.resample;

/**
 * A method along one axis at one scale: how much a source pixel weighs by the distance of its centre from the output's
 * position, in source pixels. Weights are not yet normalised.
 *
 * @param radius beyond this distance nothing weighs
 * @param middle within this distance lie the pixels that bound ringing
 */
record AxisKernel(Method method, double scale, double radius, double middle) {
    static AxisKernel of(Method method, double scale) {
        double stretch = Math.max(1, scale);
        return switch (method) {
            case NEAREST -> new AxisKernel(method, scale, 0.5, 0.5);
            case AREA -> new AxisKernel(method, scale, scale / 2 + 0.5, scale / 2 + 0.5);
            case BILINEAR, KEYS, MITCHELL, LANCZOS3 ->
                new AxisKernel(method, scale, kernel(method).support() * stretch, stretch);
            case LEARNED, LEARNED_SOFTENING -> of(Method.LANCZOS3, scale);
            case CIRCULAR_LANCZOS -> throw new IllegalArgumentException("the circular kernel is not one of two axes");
        };
    }

    double weight(double distance) {
        return switch (method) {
            // A position on the border of two pixels belongs to the right one.
            case NEAREST -> distance > -0.5 && distance <= 0.5 ? 1 : 0;
            case AREA -> Math.max(0, Math.min(distance + 0.5, scale / 2) - Math.max(distance - 0.5, -scale / 2));
            default -> kernel(method).at(distance / Math.max(1, scale));
        };
    }

    /** Whether weights change smoothly with position, so that they can be interpolated between tabled ones. */
    boolean isSmooth() {
        return switch (method) {
            case NEAREST, AREA, BILINEAR -> false;
            default -> true;
        };
    }

    private static Kernel kernel(Method method) {
        return switch (method) {
            case BILINEAR -> Kernel.TRIANGLE;
            case KEYS -> Kernel.KEYS;
            case MITCHELL -> Kernel.MITCHELL;
            case LANCZOS3 -> Kernel.LANCZOS3;
            default -> throw new IllegalArgumentException(method + " has no kernel of one axis");
        };
    }
}
