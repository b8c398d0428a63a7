package embrick.server.deliveries;

import java.io.IOException;
import java.io.OutputStream;

/** Passes on a part of what is written to it. */
final class WindowStream extends OutputStream {
    private final OutputStream out;
    private final long from;
    private final long until;
    private long at;

    /**
     * @param from first byte passed on
     * @param until one past the last
     */
    WindowStream(OutputStream out, long from, long until) {
        this.out = out;
        this.from = from;
        this.until = until;
    }

    /** Goes over so many bytes that none is wanted of; false, and nothing done, if some are. */
    boolean skips(long bytes) {
        if (at + bytes > from && at < until) {
            return false;
        }
        at += bytes;
        return true;
    }

    @Override
    public void write(int value) throws IOException {
        write(new byte[] {(byte) value}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int offset, int length) throws IOException {
        long first = Math.max(at, from);
        long last = Math.min(at + length, until);
        if (first < last) {
            out.write(bytes, offset + (int) (first - at), (int) (last - first));
        }
        at += length;
    }
}
