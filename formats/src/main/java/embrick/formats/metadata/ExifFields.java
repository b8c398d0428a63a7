package embrick.formats.metadata;

import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Kept;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import embrick.formats.ifd.Field;
import embrick.formats.ifd.Ifd;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntPredicate;

/**
 * The tags of Exif's directories that a new file can carry (Exif 2.32, 4.6). None of pixels, their layout, ppi or colour space
 * is among them, nor a thumbnail: these are the new file's own.
 *
 * @param main of the picture itself
 * @param exif of the taking
 * @param gps of the place
 */
public record ExifFields(
        SortedMap<Integer, Field> main,
        SortedMap<Integer, Field> exif,
        SortedMap<Integer, Field> gps,
        boolean isDamaged) {
    public static final ExifFields NONE = new ExifFields(new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), false);

    private static final int DATE_TIME_ORIGINAL = 0x9003;
    private static final int MAKER_NOTE = 0x927C;
    /** A JPEG holds 64 kB of Exif in all. */
    private static final int MOST_MAIN_BYTES = 16_000;

    private static final int MOST_EXIF_BYTES = 45_000;

    /** A title in the words of one maker's system. */
    private static final int XP_TITLE = 40_091;

    /** Document name, description, make, model, page name, software, date, artist, host, rating, copyright, and words of one maker. */
    private static final Set<Integer> MAIN = Set.of(
            269,
            Ifd.IMAGE_DESCRIPTION,
            271,
            272,
            285,
            305,
            306,
            Ifd.ARTIST,
            316,
            18_246,
            18_249,
            Ifd.COPYRIGHT,
            XP_TITLE,
            40_092,
            40_093,
            40_094,
            40_095);

    /** Layout and size of the coded picture, its colour space and gamma, and pointers to what is not carried. */
    private static final Set<Integer> OF_THE_FILE =
            Set.of(0x9000, 0x9101, 0x9102, 0xA000, 0xA001, 0xA002, 0xA003, 0xA005, 0xA500);

    /** Body and lens; a maker's note holds them as well, where nobody but the maker can tell. */
    private static final Set<Integer> SERIAL_NUMBERS = Set.of(0xA431, 0xA435, MAKER_NOTE);

    static ExifFields read(Ifd.Bytes bytes) {
        Reading reading = new Reading();
        try {
            Ifd ifd = Ifd.first(bytes);
            return new ExifFields(
                    reading.fields(Optional.of(ifd), MAIN::contains),
                    reading.fields(reading.child(ifd, Ifd.EXIF_IFD), tag -> !OF_THE_FILE.contains(tag)),
                    reading.fields(reading.child(ifd, Ifd.GPS_IFD), _ -> true),
                    reading.failed);
        } catch (IOException damaged) {
            return new ExifFields(new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), true);
        }
    }

    /** What can be read is taken, whatever cannot. */
    private static final class Reading {
        private boolean failed;

        Optional<Ifd> child(Ifd ifd, int tag) {
            try {
                return ifd.child(tag);
            } catch (IOException damaged) {
                failed = true;
                return Optional.empty();
            }
        }

        SortedMap<Integer, Field> fields(Optional<Ifd> ifd, IntPredicate isWanted) {
            SortedMap<Integer, Field> fields = new TreeMap<>();
            for (int tag : ifd.map(Ifd::tags).orElse(Set.of())) {
                if (isWanted.test(tag)) {
                    try {
                        ifd.get().field(tag).ifPresent(field -> fields.put(tag, field));
                    } catch (IOException damaged) {
                        failed = true;
                    }
                }
            }
            return fields;
        }
    }

    /** @return the same without what a choice leaves behind, under the words that the new file says */
    ExifFields carried(MetadataChoice choice, MetadataTexts texts) {
        SortedMap<Integer, Field> carriedMain = new TreeMap<>();
        SortedMap<Integer, Field> carriedExif = new TreeMap<>();
        SortedMap<Integer, Field> carriedGps = new TreeMap<>();
        if (choice.kept() == Kept.ALL) {
            carriedMain.putAll(main);
            carriedExif.putAll(exif);
            if (choice.serialNumbers() == Private.DROPPED) {
                carriedExif.keySet().removeAll(SERIAL_NUMBERS);
            }
            if (choice.place() == Private.KEPT) {
                carriedGps.putAll(gps);
            }
        }
        texts.caption().ifPresent(words -> carriedMain.put(Ifd.IMAGE_DESCRIPTION, Field.text(words)));
        texts.rights().ifPresent(words -> carriedMain.put(Ifd.COPYRIGHT, Field.text(words)));
        if (!texts.creators().isEmpty()) {
            carriedMain.put(Ifd.ARTIST, Field.text(String.join("; ", texts.creators())));
        }
        fit(carriedMain, MOST_MAIN_BYTES);
        fit(carriedExif, MOST_EXIF_BYTES);
        return new ExifFields(carriedMain, carriedExif, carriedGps, false);
    }

    /** What is largest stays behind, as a rule the maker's note. */
    private static void fit(SortedMap<Integer, Field> fields, int mostBytes) {
        while (fields.values().stream().mapToInt(field -> field.value().length).sum() > mostBytes) {
            int largest = fields.entrySet().stream()
                    .max((a, b) -> Integer.compare(
                            a.getValue().value().length, b.getValue().value().length))
                    .orElseThrow()
                    .getKey();
            fields.remove(largest);
        }
    }

    public boolean isEmpty() {
        return main.isEmpty() && exif.isEmpty() && gps.isEmpty();
    }

    MetadataTexts texts() {
        return new MetadataTexts(
                wideText(XP_TITLE),
                text(Ifd.IMAGE_DESCRIPTION),
                text(Ifd.ARTIST).map(words -> Arrays.asList(words.split(";"))).orElse(List.of()),
                text(Ifd.COPYRIGHT),
                List.of());
    }

    /** When the picture was taken, as {@code 2026-11-29T15:04:05}. */
    public Optional<String> taken() {
        return words(exif, DATE_TIME_ORIGINAL)
                .filter(words -> words.matches("\\d{4}:\\d\\d:\\d\\d \\d\\d:\\d\\d:\\d\\d"))
                .filter(words -> !words.startsWith("0000"))
                .map(words -> words.substring(0, 10).replace(':', '-') + "T" + words.substring(11));
    }

    private Optional<String> text(int tag) {
        return words(main, tag);
    }

    /** Written by desktop systems as UTF-16, least significant byte first, ended by a zero (common practice, no source). */
    private Optional<String> wideText(int tag) {
        return Optional.ofNullable(main.get(tag))
                .map(field -> new String(field.value(), StandardCharsets.UTF_16LE)
                        .replaceFirst("\0.*", "")
                        .strip())
                .filter(words -> !words.isEmpty());
    }

    /** Exif's copyright can name the photographer, then a zero, then the editor. */
    private static Optional<String> words(SortedMap<Integer, Field> fields, int tag) {
        return Optional.ofNullable(fields.get(tag))
                .map(field ->
                        String.join("; ", Letters.of(field.value()).split("\0")).strip())
                .filter(words -> !words.isEmpty());
    }
}
