package embrick.bench;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.Formats;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.Watch;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** What the works share: the engine, pictures as they are opened, and what is held until all is measured. */
final class Bed implements AutoCloseable {
    private final Formats formats = new Formats(
            new ProfileShelf(), DecodeLimits.DEFAULT, Path.of(System.getProperty("java.io.tmpdir")), new Crew(1));
    private final Formats together = new Formats(formats.profiles(), DecodeLimits.DEFAULT);
    private final Map<Path, Optional<byte[]>> indexes = new ConcurrentHashMap<>();
    private final List<AutoCloseable> held = new ArrayList<>();

    /** One picture on one core. */
    Formats formats() {
        return formats;
    }

    /** One picture on all cores. */
    Formats together() {
        return together;
    }

    OpenedPicture open(Path original) throws IOException {
        return open(formats, original);
    }

    /**
     * Opens a picture as the application does for a piece: in parts, by what examining it gave when it was added. That is
     * done once for each original, before anything is measured.
     */
    OpenedPicture open(Formats by, Path original) throws IOException {
        Optional<byte[]> index = indexes.get(original);
        if (index == null) {
            index = formats.examine(original).index();
            indexes.put(original, index);
        }
        return index.isPresent() ? by.openInParts(original, index.get(), Watch.NONE) : by.open(original);
    }

    void hold(AutoCloseable one) {
        held.add(one);
    }

    /** Pixels that have nothing in common with their neighbours. */
    Raster noise(int width, int height) {
        Raster raster = Raster.allocate(new PixelSize(width, height), 3, 1);
        held.add(raster);
        for (long i = 0; i < raster.samples().byteSize(); i++) {
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) ((i * 0x9E3779B97F4A7C15L) >>> 56));
        }
        return raster;
    }

    @Override
    public void close() throws IOException {
        for (AutoCloseable one : held) {
            try {
                one.close();
            } catch (Exception failed) {
                throw new IOException(failed);
            }
        }
    }
}
