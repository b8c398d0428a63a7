package embrick.core.metadata;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is said of a picture in words.
 *
 * @param creators who made it, the first one first
 * @param rights the copyright notice
 */
public record MetadataTexts(
        Optional<String> title,
        Optional<String> caption,
        List<String> creators,
        Optional<String> rights,
        List<String> keywords) {
    /** No words. */
    public static final MetadataTexts NONE =
            new MetadataTexts(Optional.empty(), Optional.empty(), List.of(), Optional.empty(), List.of());

    /** Blank words are none. */
    public MetadataTexts {
        title = said(title);
        caption = said(caption);
        creators = said(creators);
        rights = said(rights);
        keywords = said(keywords);
    }

    private static Optional<String> said(Optional<String> words) {
        return words.map(String::strip).filter(text -> !text.isEmpty());
    }

    private static List<String> said(List<String> words) {
        return words.stream()
                .map(String::strip)
                .filter(text -> !text.isEmpty())
                .distinct()
                .toList();
    }

    public MetadataTexts withoutKeywords() {
        return new MetadataTexts(title, caption, creators, rights, List.of());
    }

    /** These words, and where they are silent the other ones; keywords of both. */
    public MetadataTexts or(MetadataTexts other) {
        List<String> all = new ArrayList<>(keywords);
        all.addAll(other.keywords);
        return new MetadataTexts(
                title.or(other::title),
                caption.or(other::caption),
                creators.isEmpty() ? other.creators : creators,
                rights.or(other::rights),
                all);
    }
}
