package embrick.formats.picture;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** A new file that is being written; closing forces it to the disk. */
public final class FileTarget implements Target, AutoCloseable {
    private final FileChannel channel;
    private final OutputStream stream;

    private FileTarget(FileChannel channel) {
        this.channel = channel;
        this.stream = new BufferedOutputStream(Channels.newOutputStream(channel), 1 << 17);
    }

    /** Creates the file; fails if it exists. */
    public static FileTarget create(Path file) throws IOException {
        return new FileTarget(FileChannel.open(file, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW));
    }

    @Override
    public OutputStream stream() {
        return stream;
    }

    @Override
    public void writeAt(long offset, byte[] bytes) throws IOException {
        stream.flush();
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        while (buffer.hasRemaining()) {
            channel.write(buffer, offset + buffer.position());
        }
    }

    @Override
    public void close() throws IOException {
        try (channel) {
            stream.flush();
            channel.force(true);
        }
    }
}
