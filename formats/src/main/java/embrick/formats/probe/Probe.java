package embrick.formats.probe;

import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Tells what a file is by its first bytes. */
public final class Probe {
    /** First bytes that {@link #kindOf} looks at. */
    public static final int BYTES = 64;

    private Probe() {}

    /** What a file is; nothing if it is no picture that is read. */
    public static Optional<FileKind> nameOf(Path file) throws IOException {
        try {
            return Optional.of(kindOf(file));
        } catch (UnusablePictureException otherwise) {
            return Optional.empty();
        }
    }

    /** @throws UnusablePictureException naming what it is instead */
    public static FileKind kindOf(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return kindOf(in.readNBytes(BYTES));
        }
    }

    /**
     * @param head the first bytes, {@link #BYTES} or as many as there are
     * @throws UnusablePictureException naming what it is instead
     */
    public static FileKind kindOf(byte[] head) throws IOException {
        if (head.length == 0) {
            throw UnusablePictureException.broken("empty", "is empty: the file has 0 bytes");
        }
        if (begins(head, 0xFF, 0xD8, 0xFF)) {
            return FileKind.JPEG;
        }
        if (begins(head, 0x89, 'P', 'N', 'G', 0x0D, 0x0A, 0x1A, 0x0A)) {
            return FileKind.PNG;
        }
        if (begins(head, 'I', 'I', 42, 0)
                || begins(head, 'M', 'M', 0, 42)
                || begins(head, 'I', 'I', 43, 0)
                || begins(head, 'M', 'M', 0, 43)) {
            return FileKind.TIFF;
        }
        if (begins(head, 'R', 'I', 'F', 'F') && at(head, 8, "WEBP")) {
            return FileKind.WEBP;
        }
        if (isHeif(head)) {
            return FileKind.HEIF;
        }
        throw otherwise(head);
    }

    private static UnusablePictureException otherwise(byte[] head) {
        if (begins(head, '8', 'B', 'P', 'S')
                || begins(head, '8', 'B', 'P', 'B')
                || begins(head, 'g', 'i', 'm', 'p', ' ')) {
            return UnusablePictureException.notRead(
                    "layered",
                    "is a layered working file, not a finished picture",
                    "Flatten it and save a copy as TIFF, PNG or JPEG.");
        }
        if (isFilm(head)) {
            return UnusablePictureException.notRead(
                    "film", "is a film, not a picture", "Save the frame you want as TIFF, PNG or JPEG.");
        }
        if (at(head, 4, "ftypavif") || at(head, 4, "ftypavis")) {
            return UnusablePictureException.notRead(
                    "avif", "is an AVIF picture, which is not read", "Save a copy as JPEG or TIFF.");
        }
        if (begins(head, 'G', 'I', 'F', '8') || begins(head, 'B', 'M')) {
            return UnusablePictureException.notRead(
                    "screen-format", "is in a format for screens, which is not read", "Save a copy as PNG.");
        }
        if (begins(head, '%', 'P', 'D', 'F')) {
            return UnusablePictureException.notRead(
                    "pdf", "is a PDF page, not a picture", "Save its picture as TIFF or JPEG.");
        }
        if (isText(head)) {
            return UnusablePictureException.notRead("text", "is text, not a picture", "Leave it out of the folder.");
        }
        return UnusablePictureException.notRead(
                "unknown", "is not a picture that is known here", "Save a copy as TIFF, PNG or JPEG.");
    }

    /** The brands of ISO/IEC 23008-12 for pictures coded in HEVC, and the general one. */
    private static boolean isHeif(byte[] head) {
        return at(head, 4, "ftyphei") || at(head, 4, "ftyphev") || at(head, 4, "ftypmif1") || at(head, 4, "ftypmsf1");
    }

    private static boolean isFilm(byte[] head) {
        boolean boxed = at(head, 4, "ftypqt")
                || at(head, 4, "ftypisom")
                || at(head, 4, "ftypmp4")
                || at(head, 4, "ftypM4V")
                || at(head, 4, "ftypavc1")
                || at(head, 4, "moov");
        return boxed || at(head, 8, "AVI ") || begins(head, 0x1A, 0x45, 0xDF, 0xA3) || begins(head, 0, 0, 1, 0xBA);
    }

    /** Only printing characters, tabs and line ends, or a byte order mark. */
    private static boolean isText(byte[] head) {
        if (begins(head, 0xEF, 0xBB, 0xBF) || begins(head, 0xFF, 0xFE) || begins(head, 0xFE, 0xFF)) {
            return true;
        }
        for (byte value : head) {
            if (value < 0x20 && value >= 0 && value != '\t' && value != '\n' && value != '\r') {
                return false;
            }
        }
        return true;
    }

    private static boolean begins(byte[] head, int... bytes) {
        if (head.length < bytes.length) {
            return false;
        }
        for (int i = 0; i < bytes.length; i++) {
            if ((head[i] & 0xff) != bytes[i]) {
                return false;
            }
        }
        return true;
    }

    private static boolean at(byte[] head, int offset, String text) {
        byte[] bytes = text.getBytes(StandardCharsets.ISO_8859_1);
        return head.length >= offset + bytes.length
                && java.util.Arrays.equals(head, offset, offset + bytes.length, bytes, 0, bytes.length);
    }
}
