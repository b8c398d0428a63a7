package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.units.PixelSize;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** A netpbm PAM (pam(5)): the plainest picture file there is, as other tools write it for comparison. */
record Pam(int width, int height, int depth, int most, byte[] samples) {
    static Pam read(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        String head = new String(bytes, 0, Math.min(bytes.length, 400), StandardCharsets.ISO_8859_1);
        int end = head.indexOf("ENDHDR\n") + 7;
        Map<String, String> values = new HashMap<>();
        head.substring(0, end)
                .lines()
                .map(line -> line.split(" "))
                .filter(parts -> parts.length == 2)
                .forEach(parts -> values.put(parts[0], parts[1]));
        return new Pam(
                Integer.parseInt(values.get("WIDTH")),
                Integer.parseInt(values.get("HEIGHT")),
                Integer.parseInt(values.get("DEPTH")),
                Integer.parseInt(values.get("MAXVAL")),
                Arrays.copyOfRange(bytes, end, bytes.length));
    }

    /** A sample, in counts of {@code full}. */
    private int sample(int pixel, int channel, int full) {
        int at = pixel * depth + channel;
        int value = most > 255 ? (samples[2 * at] & 0xff) << 8 | (samples[2 * at + 1] & 0xff) : samples[at] & 0xff;
        return (int) (((long) value * full + most / 2) / most);
    }

    /** The same with alpha 0 wherever a pixel has the given colour, else full. */
    Pam withTransparent(int... colour) {
        byte[] changed = samples.clone();
        int sampleBytes = most > 255 ? 2 : 1;
        for (int pixel = 0; pixel < width * height; pixel++) {
            boolean same = true;
            for (int c = 0; c < colours(); c++) {
                same &= sample(pixel, c, most) == colour[c];
            }
            int at = (pixel * depth + depth - 1) * sampleBytes;
            Arrays.fill(changed, at, at + sampleBytes, (byte) (same ? 0 : 255));
        }
        return new Pam(width, height, depth, most, changed);
    }

    private boolean hasAlpha() {
        return depth == 2 || depth == 4;
    }

    private int colours() {
        return hasAlpha() ? depth - 1 : depth;
    }

    /** Holds our reading of a file against this one, sample by sample. */
    void requireSame(Formats formats, Path file) throws IOException {
        try (OpenedPicture opened = formats.open(file)) {
            Raster raster = opened.raster();
            assertThat(raster.stored()).isEqualTo(new PixelSize(width, height));
            boolean alpha = opened.facts().colour().alpha() == Alpha.SEE_THROUGH;
            int colours = raster.channels() - (alpha ? 1 : 0);
            int full = raster.bytesPerSample() == 2 ? 65535 : 255;
            assertThat(full).as("depth kept").isGreaterThanOrEqualTo(Math.min(most, 65535) > 255 ? 65535 : 255);
            for (int pixel = 0; pixel < width * height; pixel++) {
                int seen = hasAlpha() ? sample(pixel, depth - 1, full) : full;
                assertThat(alpha ? ours(raster, pixel, colours) : full)
                        .as("alpha of pixel %d", pixel)
                        .isEqualTo(seen);
                for (int c = 0; c < colours; c++) {
                    assertThat(ours(raster, pixel, c))
                            .as("pixel %d channel %d", pixel, c)
                            .isEqualTo(sample(pixel, Math.min(c, colours() - 1), full));
                }
            }
        }
    }

    private static int ours(Raster raster, int pixel, int channel) {
        long at = (long) pixel * raster.channels() + channel;
        return raster.bytesPerSample() == 2
                ? raster.samples().getAtIndex(ValueLayout.JAVA_SHORT, at) & 0xffff
                : raster.samples().get(ValueLayout.JAVA_BYTE, at) & 0xff;
    }
}
