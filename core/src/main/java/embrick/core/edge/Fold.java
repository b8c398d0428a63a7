package embrick.core.edge;

/**
 * From positions along one axis of the total to pixels of the sheet: a fold of coordinates.
 *
 * @param length pixels of the sheet along the axis
 */
record Fold(Kind kind, int length) {
    enum Kind {
        MIRROR,
        DRAWN_OUT
    }

    /** Some neighbouring pixels of the sheet. */
    record Span(int from, int end) {
        int length() {
            return end - from;
        }
    }

    /** @param position from the sheet's first pixel; negative, or the length and more, on a band */
    int at(int position) {
        return switch (kind) {
            case DRAWN_OUT -> Math.clamp(position, 0, length - 1);
            case MIRROR -> {
                long around = Math.floorMod((long) position, 2L * length);
                yield (int) (around < length ? around : 2L * length - 1 - around);
            }
        };
    }

    /** The pixels of the sheet that some neighbouring positions need. */
    Span needed(int from, int end) {
        if (kind == Kind.DRAWN_OUT) {
            return new Span(at(from), at(end - 1) + 1);
        }
        int low = length;
        int high = -1;
        // After two whole lengths everything has come by.
        long last = Math.min((long) end, from + 2L * length);
        for (int position = from; position < last; position++) {
            int at = at(position);
            low = Math.min(low, at);
            high = Math.max(high, at);
        }
        return new Span(low, high + 1);
    }
}
