package embrick.core.grown;

import embrick.core.pixels.PixelRect;

/** The patches that touch what is bare. */
final class Targets {
    private Targets() {}

    /** The rectangle of their middles. */
    static PixelRect round(Level level) {
        int left = level.width;
        int top = level.height;
        int right = 0;
        int bottom = 0;
        for (int at = 0; at < level.state.length; at++) {
            if (level.state[at] == Level.BARE) {
                left = Math.min(left, at % level.width);
                right = Math.max(right, at % level.width + 1);
                top = Math.min(top, at / level.width);
                bottom = Math.max(bottom, at / level.width + 1);
            }
        }
        int x = Math.max(left - Level.REACH, Level.REACH);
        int y = Math.max(top - Level.REACH, Level.REACH);
        return new PixelRect(
                x,
                y,
                Math.min(right + Level.REACH, level.width - Level.REACH) - x,
                Math.min(bottom + Level.REACH, level.height - Level.REACH) - y);
    }

    /** Which of a rectangle they are. Shapes: row-major. */
    static boolean[] touching(Level level, PixelRect place) {
        boolean[] touching = new boolean[place.width() * place.height()];
        for (int i = 0; i < touching.length; i++) {
            touching[i] = touchesBare(level, place.x() + i % place.width(), place.y() + i / place.width());
        }
        return touching;
    }

    private static boolean touchesBare(Level level, int x, int y) {
        for (int j = y - Level.REACH; j <= y + Level.REACH; j++) {
            for (int i = x - Level.REACH; i <= x + Level.REACH; i++) {
                if (level.state[j * level.width + i] == Level.BARE) {
                    return true;
                }
            }
        }
        return false;
    }
}
