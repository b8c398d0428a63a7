package embrick.formats.bytes;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;

/** A stream that remembers whether reading it failed, for a library that tells a failing disk and a damaged file alike. */
public final class WatchedStream extends FilterInputStream {
    private Optional<IOException> failed = Optional.empty();

    public WatchedStream(InputStream in) {
        super(in);
    }

    @Override
    public int read() throws IOException {
        try {
            return super.read();
        } catch (IOException failure) {
            throw remembered(failure);
        }
    }

    @Override
    public int read(byte[] into, int offset, int length) throws IOException {
        try {
            return super.read(into, offset, length);
        } catch (IOException failure) {
            throw remembered(failure);
        }
    }

    @Override
    public long skip(long bytes) throws IOException {
        try {
            return super.skip(bytes);
        } catch (IOException failure) {
            throw remembered(failure);
        }
    }

    private IOException remembered(IOException failure) {
        failed = Optional.of(failure);
        return failure;
    }

    /** @throws IOException what reading failed with, if it did */
    public void requireNoneFailed() throws IOException {
        if (failed.isPresent()) {
            throw failed.get();
        }
    }
}
