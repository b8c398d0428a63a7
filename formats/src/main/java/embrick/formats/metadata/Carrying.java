package embrick.formats.metadata;

import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataTexts;
import java.util.List;
import java.util.Optional;

/** From what an original says, and what is chosen of it, to what its piece says. */
public final class Carrying {
    private Carrying() {}

    /** The words go into Exif, IPTC and XMP alike, whichever of them they came from. */
    public static CarriedMetadata of(OriginalMetadata original, MetadataChoice choice) {
        MetadataTexts texts = choice.texts().or(kept(original.texts(), choice.kept()));
        return new CarriedMetadata(
                original.exif().carried(choice, texts),
                original.xmp().carried(choice, texts),
                original.iptc().carried(choice, texts));
    }

    private static MetadataTexts kept(MetadataTexts texts, MetadataChoice.Kept kept) {
        return switch (kept) {
            case ALL -> texts;
            case CREDITS_AND_CAPTION ->
                new MetadataTexts(texts.title(), texts.caption(), texts.creators(), texts.rights(), List.of());
            case CREDITS ->
                new MetadataTexts(Optional.empty(), Optional.empty(), texts.creators(), texts.rights(), List.of());
            case NONE -> MetadataTexts.NONE;
        };
    }
}
