package embrick.formats.pdf;

import embrick.formats.picture.NotExaminedException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.io.RandomAccessReadView;

/** A file that remembers whether reading it failed: the parser tells a failing disk and a damaged file alike. */
final class WatchedReads extends RandomAccessReadBufferedFile {
    private Optional<IOException> failed = Optional.empty();

    WatchedReads(Path file) throws IOException {
        super(file);
    }

    @Override
    public void seek(long position) throws IOException {
        try {
            super.seek(position);
        } catch (IOException failure) {
            throw remembered(failure);
        }
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

    /** Of this very file: a view of a copy would read past the watch. Used by one thread, as the file itself is. */
    @Override
    public RandomAccessReadView createView(long from, long length) {
        return new RandomAccessReadView(this, from, length);
    }

    private IOException remembered(IOException failure) {
        failed = Optional.of(failure);
        return failure;
    }

    /** @throws NotExaminedException if any of its bytes could not be read */
    void requireNoneFailed() throws NotExaminedException {
        if (failed.isPresent()) {
            throw NotExaminedException.reading(failed.get());
        }
    }
}
