package embrick.formats.binding;

import java.io.EOFException;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** A file in memory outside the heap, as native decoders want it. */
public final class FileBytes {
    private FileBytes() {}

    /** All bytes of a file; they live as long as the arena. */
    public static MemorySegment whole(Path file, Arena arena) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            MemorySegment bytes = arena.allocate(Math.max(1, channel.size()));
            long at = 0;
            while (at < bytes.byteSize()) {
                ByteBuffer part = bytes.asSlice(at, Math.min(bytes.byteSize() - at, 1 << 28))
                        .asByteBuffer();
                int read = channel.read(part, at);
                if (read < 0) {
                    throw new EOFException(file.getFileName() + " became shorter while it was read");
                }
                at += read;
            }
            return bytes;
        }
    }
}
