package embrick.formats.ifd;

import embrick.core.units.Resolution;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Map;
import java.util.TreeMap;

/**
 * Builds one directory, tags in rising order as TIFF 6.0 asks, values that do not fit in the entry behind it; in the layout of
 * TIFF 6.0 or of BigTIFF (LibTIFF's published design: 64-bit counts and offsets).
 */
public final class IfdBuilder {
    private record Entry(int type, int count, byte[] value) {}

    private final ByteOrder order;
    private final Flavour flavour;
    private final Map<Integer, Entry> entries = new TreeMap<>();

    /** A directory of TIFF 6.0. */
    public IfdBuilder(ByteOrder order) {
        this(order, Flavour.CLASSIC);
    }

    public IfdBuilder(ByteOrder order, Flavour flavour) {
        this.order = order;
        this.flavour = flavour;
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

    /** Places in the file: of 32 or 64 bits, as the flavour has them. */
    public IfdBuilder offsets(int tag, long... values) {
        if (flavour == Flavour.CLASSIC) {
            return longs(tag, values);
        }
        ByteBuffer bytes = ByteBuffer.allocate(values.length * 8).order(order);
        for (long value : values) {
            bytes.putLong(value);
        }
        return put(tag, Ifd.TYPE_LONG8, values.length, bytes.array());
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

    /** A tag as it stood in another directory. */
    public IfdBuilder field(int tag, Field field) {
        return put(tag, field.type(), field.count(), Field.turned(field.type(), field.value(), order));
    }

    private IfdBuilder put(int tag, int type, int count, byte[] value) {
        entries.put(tag, new Entry(type, count, value));
        return this;
    }

    private int tableBytes() {
        return flavour.countBytes() + entries.size() * flavour.entryBytes() + flavour.offsetBytes();
    }

    /** Bytes of the directory with its values. */
    public int size() {
        int size = tableBytes();
        for (Entry entry : entries.values()) {
            int length = entry.value().length;
            size += length > flavour.offsetBytes() ? length + (length & 1) : 0;
        }
        return size;
    }

    /**
     * @param offset where the directory will lie in the file; even
     */
    public byte[] build(long offset) {
        ByteBuffer out = ByteBuffer.allocate(size()).order(order);
        number(out, entries.size(), flavour.countBytes());
        long behind = offset + tableBytes();
        ByteBuffer values = ByteBuffer.allocate(size());
        for (Map.Entry<Integer, Entry> named : entries.entrySet()) {
            Entry entry = named.getValue();
            out.putShort(named.getKey().shortValue()).putShort((short) entry.type());
            number(out, entry.count(), flavour.offsetBytes());
            int length = entry.value().length;
            if (length <= flavour.offsetBytes()) {
                out.put(entry.value()).position(out.position() + flavour.offsetBytes() - length);
            } else {
                number(out, behind + values.position(), flavour.offsetBytes());
                values.put(entry.value());
                if ((length & 1) != 0) {
                    values.put((byte) 0);
                }
            }
        }
        number(out, 0, flavour.offsetBytes());
        out.put(values.flip());
        return out.array();
    }

    private static void number(ByteBuffer out, long value, int bytes) {
        switch (bytes) {
            case 2 -> out.putShort((short) value);
            case 4 -> out.putInt((int) value);
            default -> out.putLong(value);
        }
    }
}
