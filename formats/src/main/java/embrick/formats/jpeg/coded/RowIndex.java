package embrick.formats.jpeg.coded;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.CRC32C;

/**
 * Where the rows of groups of a sequential JPEG begin in its coded data, so that reading can begin at any of them.
 *
 * <p>A row begins in the midst of a byte, and its means are told as differences from the row before: both are noted. Where
 * the file restarts every so many groups, reading begins only at rows that begin with a restart.
 *
 * @param scanAt where in the file the coded data begin
 * @param rows where each row begins, as byte × 8 + bit; {@link #NOWHERE} if reading cannot begin there
 * @param means by component, row after row: the mean that the row's first difference is added to
 * @param end where the last row ends, likewise
 */
public record RowIndex(long fileLength, long scanAt, long[] rows, short[][] means, long end) {
    /** The place of a row at which reading cannot begin. */
    public static final long NOWHERE = -1;

    private static final int MAGIC = 0x726F7773;
    private static final int VERSION = 1;
    private static final int CHECKSUM = Integer.BYTES;
    private static final int MOST_COMPONENTS = 4;
    private static final int MOST_ROWS = 1 << 13;

    /** For keeping beside the file, with a checksum at its end. */
    public byte[] toBytes() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(bytes)) {
            out.writeInt(MAGIC);
            out.writeByte(VERSION);
            out.writeLong(fileLength);
            out.writeLong(scanAt);
            out.writeLong(end);
            out.writeShort(rows.length);
            out.writeByte(means.length);
            for (int row = 0; row < rows.length; row++) {
                out.writeLong(rows[row]);
                for (short[] mean : means) {
                    out.writeShort(mean[row]);
                }
            }
            out.flush();
            out.writeInt(checksum(bytes.toByteArray(), bytes.size()));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return bytes.toByteArray();
    }

    /** Nothing if the bytes are not as they were written: then the file is read as if there were none. */
    public static Optional<RowIndex> of(byte[] bytes) {
        int length = bytes.length - CHECKSUM;
        if (length < 0) {
            return Optional.empty();
        }
        try (DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes))) {
            if (in.readInt() != MAGIC || in.readByte() != VERSION) {
                return Optional.empty();
            }
            long fileLength = in.readLong();
            long scanAt = in.readLong();
            long end = in.readLong();
            int count = in.readUnsignedShort();
            int components = in.readUnsignedByte();
            if (count > MOST_ROWS || components > MOST_COMPONENTS) {
                return Optional.empty();
            }
            long[] rows = new long[count];
            short[][] means = new short[components][count];
            for (int row = 0; row < count; row++) {
                rows[row] = in.readLong();
                for (short[] mean : means) {
                    mean[row] = in.readShort();
                }
            }
            return in.readInt() == checksum(bytes, length)
                    ? Optional.of(new RowIndex(fileLength, scanAt, rows, means, end))
                    : Optional.empty();
        } catch (IOException cut) {
            return Optional.empty();
        }
    }

    private static int checksum(byte[] bytes, int length) {
        CRC32C sum = new CRC32C();
        sum.update(bytes, 0, length);
        return (int) sum.getValue();
    }

    /** The last row at or before one at which reading can begin. */
    int beginsAtOrBefore(int row) {
        int begin = row;
        while (rows[begin] == NOWHERE) {
            begin--;
        }
        return begin;
    }

    /** The first row at or after one at which reading can begin; the number of rows where there is none. */
    int beginsAtOrAfter(int row) {
        int begin = row;
        while (begin < rows.length && rows[begin] == NOWHERE) {
            begin++;
        }
        return begin;
    }

    /** Where the row's coded data begin, or, behind the last one, end. */
    long place(int row) {
        return row < rows.length ? rows[row] : end;
    }

    /** As it fills while a scan is walked. */
    static final class Builder {
        private final long scanAt;
        private final long[] rows;
        private final short[][] means;
        private long end;

        Builder(long scanAt, int rows, int components) {
            this.scanAt = scanAt;
            this.rows = new long[rows];
            this.means = new short[components][rows];
            Arrays.fill(this.rows, NOWHERE);
        }

        /** Notes the beginning of a row. */
        void begin(int row, long place, int[] meansBefore) {
            rows[row] = place;
            for (int part = 0; part < means.length; part++) {
                means[part][row] = (short) meansBefore[part];
            }
        }

        void end(long place) {
            end = place;
        }

        RowIndex finish(long fileLength) {
            return new RowIndex(fileLength, scanAt, rows, means, end);
        }
    }
}
