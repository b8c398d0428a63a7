package embrick.formats.metadata;

import com.drew.imaging.jpeg.JpegSegmentType;
import com.drew.lang.SequentialByteArrayReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.StringValue;
import com.drew.metadata.iptc.IptcDirectory;
import com.drew.metadata.iptc.IptcReader;
import com.drew.metadata.photoshop.PhotoshopReader;
import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Words in the records of the IPTC's Information Interchange Model (version 4.2, record 2), by their data set's number.
 *
 * @param words each once or several times
 */
public record IptcRecords(SortedMap<Integer, List<String>> words, boolean isDamaged) {
    public static final IptcRecords NONE = new IptcRecords(new TreeMap<>(), false);

    private static final int RECORD_2 = 2 << 8;
    private static final int TITLE = 5;
    private static final int KEYWORDS = 25;
    private static final int CREATOR = 80;
    private static final int RIGHTS = 116;
    private static final int CAPTION = 120;

    /** By-line's title, credit, contact. */
    private static final Set<Integer> CREDITS = Set.of(85, 110, 118);

    /** Content location, city, sublocation, state, country. */
    private static final Set<Integer> PLACE = Set.of(26, 27, 90, 92, 95, 100, 101);

    /** Record version, and previews of the picture as it was. */
    private static final Set<Integer> OF_THE_FILE = Set.of(0, 200, 201, 202);

    /** Bytes that a data set may hold (IIM 4.2, chapter 6, from memory); others have none that matters here. */
    private static final Map<Integer, Integer> MOST_BYTES =
            Map.of(TITLE, 64, KEYWORDS, 64, CREATOR, 32, 85, 32, 110, 32, RIGHTS, 128, 118, 128, CAPTION, 2000);

    private static final int ANY_MOST_BYTES = 2000;
    private static final byte[] UTF_8 = {0x1B, '%', 'G'};

    static IptcRecords read(Optional<byte[]> records, List<byte[]> resources) {
        Metadata read = new Metadata();
        records.ifPresent(bytes -> new IptcReader().extract(new SequentialByteArrayReader(bytes), read, bytes.length));
        if (!resources.isEmpty()) {
            new PhotoshopReader().readJpegSegments(resources, read, JpegSegmentType.APPD);
        }
        boolean isDamaged = false;
        SortedMap<Integer, List<String>> words = new TreeMap<>();
        for (IptcDirectory directory : read.getDirectoriesOfType(IptcDirectory.class)) {
            isDamaged |= directory.hasErrors();
            directory.getTags().forEach(tag -> {
                int type = tag.getTagType();
                List<String> said = said(directory.getObject(type));
                if (type >> 8 == 2 && !OF_THE_FILE.contains(type & 0xff) && !said.isEmpty()) {
                    words.putIfAbsent(type & 0xff, said);
                }
            });
        }
        return new IptcRecords(words, isDamaged);
    }

    /** Numbers are no words. */
    private static List<String> said(Object value) {
        Stream<?> values = value instanceof Object[] several ? Stream.of(several) : Stream.ofNullable(value);
        return values.flatMap(one -> switch (one) {
                    case StringValue letters -> Stream.of(decoded(letters));
                    case String text -> Stream.of(text);
                    default -> Stream.<String>empty();
                })
                .map(String::strip)
                .filter(text -> !text.isEmpty())
                .toList();
    }

    private static String decoded(StringValue letters) {
        Charset said = letters.getCharset();
        return said == null ? Letters.of(letters.getBytes()) : new String(letters.getBytes(), said);
    }

    MetadataTexts texts() {
        return new MetadataTexts(
                first(TITLE),
                first(CAPTION),
                words.getOrDefault(CREATOR, List.of()),
                first(RIGHTS),
                words.getOrDefault(KEYWORDS, List.of()));
    }

    private Optional<String> first(int dataSet) {
        return words.getOrDefault(dataSet, List.of()).stream().findFirst();
    }

    /** @return the records of a new file under the words that it says; empty where there is nothing to say */
    Optional<byte[]> carried(MetadataChoice choice, MetadataTexts texts) {
        SortedMap<Integer, List<String>> carried = new TreeMap<>();
        words.forEach((dataSet, said) -> {
            boolean isKept = switch (choice.kept()) {
                case ALL -> choice.place() == Private.KEPT || !PLACE.contains(dataSet);
                case CREDITS, CREDITS_AND_CAPTION -> CREDITS.contains(dataSet);
                case NONE -> false;
            };
            if (isKept) {
                carried.put(dataSet, said);
            }
        });
        texts.title().ifPresent(said -> carried.put(TITLE, List.of(said)));
        texts.caption().ifPresent(said -> carried.put(CAPTION, List.of(said)));
        texts.rights().ifPresent(said -> carried.put(RIGHTS, List.of(said)));
        if (!texts.creators().isEmpty()) {
            carried.put(CREATOR, texts.creators());
        }
        if (!texts.keywords().isEmpty()) {
            carried.put(KEYWORDS, texts.keywords());
        }
        return carried.isEmpty() ? Optional.empty() : Optional.of(written(carried));
    }

    /** In UTF-8, which data set 1:90 says; words longer than a data set holds are cut at a whole letter: XMP has all of them. */
    private static byte[] written(SortedMap<Integer, List<String>> carried) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        put(out, 1 << 8 | 90, UTF_8);
        put(out, RECORD_2, new byte[] {0, 4});
        carried.forEach((dataSet, said) -> said.forEach(
                text -> put(out, RECORD_2 | dataSet, cut(text, MOST_BYTES.getOrDefault(dataSet, ANY_MOST_BYTES)))));
        return out.toByteArray();
    }

    private static void put(ByteArrayOutputStream out, int dataSet, byte[] value) {
        out.write(0x1C);
        out.write(dataSet >> 8);
        out.write(dataSet & 0xff);
        out.write(value.length >> 8);
        out.write(value.length & 0xff);
        out.writeBytes(value);
    }

    private static byte[] cut(String text, int mostBytes) {
        String kept = text;
        while (kept.getBytes(StandardCharsets.UTF_8).length > mostBytes) {
            kept = kept.substring(0, kept.offsetByCodePoints(kept.length(), -1));
        }
        return kept.getBytes(StandardCharsets.UTF_8);
    }
}
