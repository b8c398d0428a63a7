package embrick.formats.tiff;

import embrick.core.units.Resolution;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Map;
import java.util.TreeMap;

/** Builds one directory, tags in rising order as TIFF 6.0 asks, values that do not fit in the entry behind it. */
public final class IfdBuilder {
    private record Entry(int type, int count, byte[] value) {}

    private final ByteOrder order;
    private final Map<Integer, Entry> entries = new TreeMap<>();

    public IfdBuilder(ByteOrder order) {
        this.order = order;
    }

    public IfdBuilder shorts(int tag, int... values) {
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 2).order(order);
        for (int value : values) {
            bytes.putShort((short) value);
        }
        return put(tag, Ifd.TYPE_SHORT, values.length, bytes.array());
    }

    public IfdBuilder longs(int tag, long... values) {
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 4).order(order);
        for (long value : values) {
            bytes.putInt((int) value);
        }
        return put(tag, Ifd.TYPE_LONG, values.length, bytes.array());
    }

    public IfdBuilder resolution(int tag, Resolution value) {
        Resolution.Rational32 fraction = value.perInchFraction();
        byte[] bytes = ByteBuffer.allocate(8)
                .order(order)
                .putInt((int) fraction.numerator())
                .putInt((int) fraction.denominator())
                .array();
        return put(tag, Ifd.TYPE_RATIONAL, 1, bytes);
    }

    public IfdBuilder undefined(int tag, byte[] value) {
        return put(tag, Ifd.TYPE_UNDEFINED, value.length, value.clone());
    }

    private IfdBuilder put(int tag, int type, int count, byte[] value) {
        entries.put(tag, new Entry(type, count, value));
        return this;
    }

    /** Bytes of the directory with its values. */
    public int size() {
        int size = 2 + entries.size() * 12 + 4;
        for (Entry entry : entries.values()) {
            size += entry.value().length > 4 ? entry.value().length + (entry.value().length & 1) : 0;
        }
        return size;
    }

    /**
     * @param offset where the directory will lie in the file; even
     */
    public byte[] build(long offset) {
        ByteBuffer out = ByteBuffer.allocate(size()).order(order);
        out.putShort((short) entries.size());
        long behind = offset + 2 + entries.size() * 12L + 4;
        ByteBuffer values = ByteBuffer.allocate(size());
        for (Map.Entry<Integer, Entry> named : entries.entrySet()) {
            Entry entry = named.getValue();
            out.putShort(named.getKey().shortValue())
                    .putShort((short) entry.type())
                    .putInt(entry.count());
            if (entry.value().length <= 4) {
                out.put(entry.value()).position(out.position() + 4 - entry.value().length);
            } else {
                out.putInt((int) (behind + values.position()));
                values.put(entry.value());
                if ((entry.value().length & 1) != 0) {
                    values.put((byte) 0);
                }
            }
        }
        out.putInt(0);
        out.put(values.flip());
        return out.array();
    }
}
