package embrick.demo;

/** The light of a scene: colours at the top of the sky and at the horizon, of lit cloud, shaded cloud and sand. */
@SuppressWarnings("ImmutableEnumChecker") // never changed after the constructor
enum Mood {
    NOON(0x2460B8, 0xA9D0EC, 0xFFFFFF, 0x8FA0B4, 0xA98F6C),
    EVENING(0x3C4A78, 0xF4B878, 0xFFE0B4, 0x6E5A6A, 0x8A6A4E),
    OVERCAST(0x8AA0A8, 0xD6DEDC, 0xF4F4F0, 0x8C989C, 0x948670),
    MORNING(0x5C86C0, 0xF2DCC8, 0xFFF2E6, 0x9A94A6, 0xA48C70);

    private final float[][] colours;

    Mood(int... colours) {
        this.colours = new float[colours.length][];
        for (int i = 0; i < colours.length; i++) {
            this.colours[i] = new float[] {
                (colours[i] >> 16 & 255) / 255f, (colours[i] >> 8 & 255) / 255f, (colours[i] & 255) / 255f
            };
        }
    }

    float[] zenith() {
        return colours[0];
    }

    float[] horizon() {
        return colours[1];
    }

    float[] lit() {
        return colours[2];
    }

    float[] shade() {
        return colours[3];
    }

    float[] sand() {
        return colours[4];
    }
}
