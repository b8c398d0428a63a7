package embrick.formats.ifd;

import embrick.core.units.Resolution;
import embrick.formats.bytes.DamagedDataException;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;

/** One directory of a TIFF (TIFF 6.0, section 2): tags with their values, read on demand from where they lie. */
public final class Ifd {
    public static final int NEW_SUBFILE_TYPE = 254;
    public static final int IMAGE_WIDTH = 256;
    public static final int IMAGE_LENGTH = 257;
    public static final int BITS_PER_SAMPLE = 258;
    public static final int COMPRESSION = 259;
    public static final int PHOTOMETRIC = 262;
    public static final int IMAGE_DESCRIPTION = 270;
    public static final int ARTIST = 315;
    public static final int COPYRIGHT = 33432;
    public static final int XMP = 700;
    public static final int IPTC = 33723;
    public static final int GPS_IFD = 34853;
    public static final int STRIP_OFFSETS = 273;
    public static final int ORIENTATION = 274;
    public static final int SAMPLES_PER_PIXEL = 277;
    public static final int ROWS_PER_STRIP = 278;
    public static final int STRIP_BYTE_COUNTS = 279;
    public static final int X_RESOLUTION = 282;
    public static final int Y_RESOLUTION = 283;
    public static final int PLANAR_CONFIGURATION = 284;
    public static final int RESOLUTION_UNIT = 296;
    public static final int PREDICTOR = 317;
    public static final int COLOR_MAP = 320;
    public static final int INK_SET = 332;
    public static final int NUMBER_OF_INKS = 334;
    public static final int EXTRA_SAMPLES = 338;
    public static final int SAMPLE_FORMAT = 339;
    public static final int EXIF_IFD = 34665;
    public static final int ICC_PROFILE = 34675;
    public static final int TILE_WIDTH = 322;
    public static final int TILE_LENGTH = 323;
    public static final int TILE_OFFSETS = 324;
    public static final int TILE_BYTE_COUNTS = 325;

    static final int TYPE_BYTE = 1;
    static final int TYPE_ASCII = 2;
    static final int TYPE_SHORT = 3;
    static final int TYPE_LONG = 4;
    static final int TYPE_RATIONAL = 5;
    static final int TYPE_UNDEFINED = 7;
    static final int TYPE_IFD = 13;
    static final int TYPE_LONG8 = 16;
    static final int TYPE_IFD8 = 18;
    private static final int[] TYPE_BYTES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4, 0, 0, 8, 8, 8};
    private static final int MOST_VALUE_BYTES = 64 << 20;
    /** The smallest tiles of the largest picture that is read, each channel by itself: as numbers of 64 bits, 32 MB. */
    private static final int MOST_NUMBERS = 4 << 20;

    private static final int MOST_ENTRIES = 65_535;
    private static final int MOST_TEXT_BYTES = 1000;

    /** Bytes at an offset; fewer than asked is an end of file. */
    public interface Bytes {
        ByteBuffer at(long offset, int length) throws IOException;
    }

    private record Entry(int type, long count, byte[] inline) {}

    private final Bytes bytes;
    private final ByteOrder order;
    private final Flavour flavour;
    private final Map<Integer, Entry> entries = new TreeMap<>();
    private long next;
    private int tableEntries;

    private Ifd(Bytes bytes, ByteOrder order, Flavour flavour) {
        this.bytes = bytes;
        this.order = order;
        this.flavour = flavour;
    }

    /** The first directory of a TIFF. */
    public static Ifd first(Bytes bytes) throws IOException {
        ByteBuffer head = bytes.at(0, 8);
        int mark = head.getShort(0);
        ByteOrder order = switch (mark) {
            case 0x4949 -> ByteOrder.LITTLE_ENDIAN;
            case 0x4D4D -> ByteOrder.BIG_ENDIAN;
            default -> throw new DamagedDataException("TIFF: expected II or MM at offset 0, found " + mark);
        };
        head.order(order);
        if (head.getShort(2) == Flavour.BIG.version()) {
            ByteBuffer rest = bytes.at(8, 8).order(order);
            return at(bytes, order, Flavour.BIG, rest.getLong(0));
        }
        return at(bytes, order, Flavour.CLASSIC, head.getInt(4) & 0xFFFF_FFFFL);
    }

    private static Ifd at(Bytes bytes, ByteOrder order, Flavour flavour, long offset) throws IOException {
        Ifd ifd = new Ifd(bytes, order, flavour);
        long count = number(bytes.at(offset, flavour.countBytes()).order(order), 0, flavour.countBytes());
        if (count < 0 || count > MOST_ENTRIES) {
            throw new DamagedDataException("TIFF: directory says it has " + count + " entries");
        }
        ifd.tableEntries = (int) count;
        int tableBytes = (int) count * flavour.entryBytes();
        ByteBuffer table = bytes.at(offset + flavour.countBytes(), tableBytes).order(order);
        for (int at = 0; at < tableBytes; at += flavour.entryBytes()) {
            byte[] inline = new byte[flavour.offsetBytes()];
            table.get(at + 4 + flavour.offsetBytes(), inline);
            ifd.entries.put(
                    table.getShort(at) & 0xffff,
                    new Entry(table.getShort(at + 2) & 0xffff, number(table, at + 4, flavour.offsetBytes()), inline));
        }
        ifd.next = nextAt(bytes, order, flavour, offset + flavour.countBytes() + tableBytes);
        return ifd;
    }

    private static long nextAt(Bytes bytes, ByteOrder order, Flavour flavour, long offset) {
        try {
            return number(bytes.at(offset, flavour.offsetBytes()).order(order), 0, flavour.offsetBytes());
        } catch (IOException cutOff) {
            return 0;
        }
    }

    private static long number(ByteBuffer buffer, int at, int length) {
        return switch (length) {
            case 2 -> buffer.getShort(at) & 0xffff;
            case 4 -> buffer.getInt(at) & 0xFFFF_FFFFL;
            default -> buffer.getLong(at);
        };
    }

    /** The directory after this one, as a rule another page; empty at the last, or where it cannot be read. */
    public Optional<Ifd> following() {
        try {
            return next == 0 ? Optional.empty() : Optional.of(at(bytes, order, flavour, next));
        } catch (IOException damaged) {
            return Optional.empty();
        }
    }

    /** Where the next directory lies; 0 after the last. */
    public long next() {
        return next;
    }

    /** The directory a tag points to. */
    public Optional<Ifd> child(int tag) throws IOException {
        Optional<long[]> offset = numbers(tag);
        return offset.isPresent() && offset.get().length == 1
                ? Optional.of(at(bytes, order, flavour, offset.get()[0]))
                : Optional.empty();
    }

    public boolean has(int tag) {
        return entries.containsKey(tag);
    }

    private Optional<ByteBuffer> value(int tag) throws IOException {
        Entry entry = entries.get(tag);
        if (entry == null || entry.type() < 1 || entry.type() >= TYPE_BYTES.length) {
            return Optional.empty();
        }
        if (entry.count() < 0 || entry.count() > MOST_VALUE_BYTES) {
            throw new DamagedDataException("TIFF: tag " + tag + " says it has " + entry.count() + " values");
        }
        long length = entry.count() * TYPE_BYTES[entry.type()];
        if (length > MOST_VALUE_BYTES) {
            throw new DamagedDataException("TIFF: tag " + tag + " says it has " + length + " bytes");
        }
        ByteBuffer value = length <= flavour.offsetBytes()
                ? ByteBuffer.wrap(entry.inline(), 0, (int) length).slice()
                : bytes.at(
                        number(ByteBuffer.wrap(entry.inline()).order(order), 0, flavour.offsetBytes()), (int) length);
        return Optional.of(value.order(order));
    }

    /** The tags there are, in rising order. */
    /** Entries that were read, those of a tag that is there more than once with them: what reading it has cost. */
    public int tableEntries() {
        return tableEntries;
    }

    public Set<Integer> tags() {
        return Collections.unmodifiableSet(entries.keySet());
    }

    /** A tag with its value as it stands; empty where its type is not known. */
    public Optional<Field> field(int tag) throws IOException {
        Optional<ByteBuffer> value = value(tag);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        byte[] stored = new byte[value.get().remaining()];
        value.get().get(stored);
        Entry entry = entries.get(tag);
        return Optional.of(new Field(entry.type(), (int) entry.count(), Field.turned(entry.type(), stored, order)));
    }

    /** Whole numbers of type BYTE, SHORT or LONG. */
    public Optional<long[]> numbers(int tag) throws IOException {
        Optional<ByteBuffer> value = value(tag);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        int count = (int) entries.get(tag).count();
        if (count > MOST_NUMBERS) {
            throw new DamagedDataException("TIFF: tag " + tag + " says it has " + count + " numbers");
        }
        ByteBuffer at = value.get();
        return switch (entries.get(tag).type()) {
            case TYPE_BYTE, TYPE_UNDEFINED -> Optional.of(numbers(count, i -> at.get(i) & 0xff));
            case TYPE_SHORT -> Optional.of(numbers(count, i -> at.getShort(2 * i) & 0xffff));
            case TYPE_LONG, TYPE_IFD -> Optional.of(numbers(count, i -> at.getInt(4 * i) & 0xFFFF_FFFFL));
            case TYPE_LONG8, TYPE_IFD8 -> Optional.of(numbers(count, i -> at.getLong(8 * i)));
            default -> Optional.empty();
        };
    }

    private static long[] numbers(int count, java.util.function.IntToLongFunction at) {
        return IntStream.range(0, count).mapToLong(at).toArray();
    }

    /** The first of a tag's whole numbers. */
    public long number(int tag, long otherwise) throws IOException {
        Optional<long[]> numbers = numbers(tag);
        return numbers.isPresent() && numbers.get().length > 0 ? numbers.get()[0] : otherwise;
    }

    public Optional<byte[]> undefined(int tag) throws IOException {
        Optional<ByteBuffer> value = value(tag);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        byte[] bytesOfValue = new byte[value.get().remaining()];
        value.get().get(bytesOfValue);
        return Optional.of(bytesOfValue);
    }

    /** Words on one line: UTF-8 where they are such, as they often are in spite of the type, else Latin-1. */
    public Optional<String> text(int tag) {
        if (!has(tag) || entries.get(tag).type() != TYPE_ASCII) {
            return Optional.empty();
        }
        try {
            return value(tag).map(Ifd::words).filter(words -> !words.isEmpty());
        } catch (IOException damaged) {
            // Damaged words are none: the picture does not need them.
            return Optional.empty();
        }
    }

    private static String words(ByteBuffer value) {
        byte[] bytes = new byte[Math.min(value.remaining(), MOST_TEXT_BYTES)];
        value.duplicate().get(bytes);
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException latin) {
            text = new String(bytes, StandardCharsets.ISO_8859_1);
        }
        int end = text.indexOf(0);
        return (end < 0 ? text : text.substring(0, end))
                .replaceAll("\\p{Cntrl}+", " ")
                .strip();
    }

    /** X or Y resolution with its unit; empty where it is missing, without a unit, or nonsense. */
    public Optional<Resolution> resolution(int tag) throws IOException {
        Optional<ByteBuffer> value = value(tag);
        if (value.isEmpty()
                || entries.get(tag).type() != TYPE_RATIONAL
                || value.get().remaining() < 8) {
            return Optional.empty();
        }
        long above = value.get().getInt(0) & 0xFFFF_FFFFL;
        long below = value.get().getInt(4) & 0xFFFF_FFFFL;
        long unit = number(RESOLUTION_UNIT, 2);
        if (above == 0 || below == 0 || unit < 2 || unit > 3) {
            return Optional.empty();
        }
        try {
            return Optional.of(unit == 2 ? Resolution.perInch(above, below) : Resolution.perCentimetre(above, below));
        } catch (IllegalArgumentException nonsense) {
            return Optional.empty();
        }
    }

    /** Over an array. */
    public static Bytes over(byte[] data) {
        return (offset, length) -> {
            if (offset < 0 || length < 0 || offset > data.length - length) {
                throw new EOFException("expected " + length + " bytes at offset " + offset + " of " + data.length);
            }
            return ByteBuffer.wrap(data, (int) offset, length).slice();
        };
    }

    /**
     * Over a file. Where reading it fails, that comes out as an {@link UncheckedIOException}: an {@link IOException} of this class
     * says that the file is damaged, which many of its callers forgive.
     */
    public static Bytes over(FileChannel channel) {
        return (offset, length) -> {
            try {
                return read(channel, offset, length);
            } catch (EOFException damaged) {
                throw damaged;
            } catch (IOException notRead) {
                throw new UncheckedIOException(notRead);
            }
        };
    }

    private static ByteBuffer read(FileChannel channel, long offset, int length) throws IOException {
        if (offset < 0 || length < 0 || offset > channel.size() - length) {
            throw new EOFException("expected " + length + " bytes at offset " + offset + " of " + channel.size());
        }
        ByteBuffer buffer = ByteBuffer.allocate(length);
        while (buffer.hasRemaining() && channel.read(buffer, offset + buffer.position()) >= 0) {
            // Keeps reading until the buffer is full or the file ends.
        }
        if (buffer.hasRemaining()) {
            throw new EOFException("expected " + length + " bytes at offset " + offset);
        }
        return buffer.flip();
    }
}
