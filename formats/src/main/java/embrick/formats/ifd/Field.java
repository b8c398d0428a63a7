package embrick.formats.ifd;

import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/**
 * A tag's value, as it goes from one directory to another.
 *
 * @param type as TIFF 6.0 numbers them
 * @param count of values, not of bytes
 * @param value with its numbers in big-endian order
 */
public record Field(int type, int count, byte[] value) {
    /**
     * Words for a tag of type ASCII, ended by a zero. They are UTF-8 where ASCII has no letter for them: Exif before 3.0 knows
     * no other type for them, and readers take them so (common practice, no source).
     */
    public static Field text(String words) {
        byte[] letters = (words + "\0").getBytes(StandardCharsets.UTF_8);
        return new Field(Ifd.TYPE_ASCII, letters.length, letters);
    }

    public static Field undefined(byte[] value) {
        return new Field(Ifd.TYPE_UNDEFINED, value.length, value.clone());
    }

    public static Field bytes(byte[] value) {
        return new Field(Ifd.TYPE_BYTE, value.length, value.clone());
    }

    /** A value from big-endian order to another one, or from it. */
    static byte[] turned(int type, byte[] value, ByteOrder order) {
        int unit = unit(type);
        if (order == ByteOrder.BIG_ENDIAN || unit == 1) {
            return value.clone();
        }
        byte[] turned = new byte[value.length];
        for (int at = 0; at < value.length; at++) {
            turned[at] = value[at / unit * unit + unit - 1 - at % unit];
        }
        return turned;
    }

    /** Bytes that are turned together (TIFF 6.0, section 2; BigTIFF's types from 16 on). */
    private static int unit(int type) {
        return switch (type) {
            case Ifd.TYPE_SHORT, 8 -> 2;
            case Ifd.TYPE_LONG, Ifd.TYPE_RATIONAL, 9, 10, 11, Ifd.TYPE_IFD -> 4;
            case 12, Ifd.TYPE_LONG8, 17, Ifd.TYPE_IFD8 -> 8;
            default -> 1;
        };
    }
}
