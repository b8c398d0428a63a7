package embrick.core.resample;

/** How pixels are made from pixels, each by a published kernel. */
public enum Method {
    /** The source pixel that the output pixel's centre falls in. Keeps hard pixels hard. */
    NEAREST,
    /** The mean of the source area that an output pixel covers, parts of pixels by their share. Quick, never rings. */
    AREA,
    /** {@link Kernel#TRIANGLE}. Quick and soft. */
    BILINEAR,
    /** {@link Kernel#KEYS}, the same as Catmull–Rom. Crisp, hardly rings. */
    KEYS,
    /** {@link Kernel#MITCHELL}. Smooth: large enlargements without steps or rings. */
    MITCHELL,
    /** {@link Kernel#LANCZOS3}. Keeps the finest detail and shrinks without false patterns; the all-round choice. */
    LANCZOS3,
    /** {@link Jinc}: the Lanczos window carried over to the circle. Alike in every direction; the slowest. */
    CIRCULAR_LANCZOS,
    /**
     * Doubled by filters that were trained on clean photographs ({@link embrick.core.learned}), the rest by
     * {@link #LANCZOS3}. For enlargements from {@link #LEARNED_FROM} on; less is Lanczos 3 alone.
     */
    LEARNED,
    /**
     * {@link #LEARNED}, doubled by filters that were trained on photographs out of JPEG files: they soften what
     * JPEG left, blocks and ripples beside edges, as they enlarge.
     */
    LEARNED_SOFTENING;

    /** The enlargement that a learned doubling is worth. */
    public static final double LEARNED_FROM = 1.3;

    /** Whether the method can leave the range of the pixels around it. */
    public boolean canRing() {
        return switch (this) {
            case NEAREST, AREA, BILINEAR -> false;
            case KEYS, MITCHELL, LANCZOS3, CIRCULAR_LANCZOS, LEARNED, LEARNED_SOFTENING -> true;
        };
    }

    /** Whether it is one of those that double the picture by filters that were trained. */
    public boolean isLearned() {
        return this == LEARNED || this == LEARNED_SOFTENING;
    }

    /**
     * Whether the method doubles the picture first, as the learned ones do where it is enlarged enough. Once, however far: a
     * second doubling gains two tenths of a decibel for four fifths of the work (docs/methods.md).
     *
     * @param scale seen pixels to one output pixel
     */
    public boolean doubles(double scale) {
        return isLearned() && scale * LEARNED_FROM <= 1;
    }
}
