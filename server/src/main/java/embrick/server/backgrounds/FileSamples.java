package embrick.server.backgrounds;

import embrick.core.grown.Samples;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.channels.FileChannel.MapMode;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Samples in a file, mapped: the machine holds what is being read. Least significant byte first. */
final class FileSamples implements Samples {
    private static final ValueLayout.OfShort SAMPLE =
            ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);

    private final MemorySegment file;

    private FileSamples(MemorySegment file) {
        this.file = file;
    }

    /** A new file of so many samples, all 0; it is unmapped with the arena. */
    static FileSamples create(Path path, long count, Arena arena) throws IOException {
        try (FileChannel channel = FileChannel.open(
                path, StandardOpenOption.CREATE_NEW, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            return new FileSamples(channel.map(MapMode.READ_WRITE, 0, count * Short.BYTES, arena));
        }
    }

    /** A file that is there; it is unmapped when nobody holds it any more. */
    static FileSamples open(Path path) throws IOException {
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
            return new FileSamples(channel.map(MapMode.READ_ONLY, 0, channel.size(), Arena.ofAuto()));
        }
    }

    void force() {
        file.force();
    }

    @Override
    public void put(long at, short[] from, int first, int count) {
        MemorySegment.copy(from, first, file, SAMPLE, at * Short.BYTES, count);
    }

    @Override
    public void get(long at, short[] into, int first, int count) {
        MemorySegment.copy(file, SAMPLE, at * Short.BYTES, into, first, count);
    }
}
