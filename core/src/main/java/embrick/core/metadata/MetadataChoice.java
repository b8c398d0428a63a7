package embrick.core.metadata;

import java.util.Objects;

/**
 * Which of an original's metadata its piece carries, and what is said in its own words. Pixel size, orientation, ppi and colour
 * space are none of it: they are always those of the new file.
 *
 * @param place whether the place where the picture was taken is kept, where others of its kind are
 * @param serialNumbers whether the serial numbers of camera and lens are kept, where others of their kind are
 * @param texts that take the place of the original's
 */
public record MetadataChoice(Kept kept, Private place, Private serialNumbers, MetadataTexts texts) {
    /** How much is kept. */
    public enum Kept {
        /** All that is still true of the new file. */
        ALL,
        /** Who made it, who has the rights, how to reach them, its title and caption. */
        CREDITS_AND_CAPTION,
        /** Who made it, who has the rights, how to reach them. */
        CREDITS,
        NONE
    }

    /** What becomes of facts that tell something of a person. */
    public enum Private {
        DROPPED,
        KEPT
    }

    /** Nothing at all: the files of versions that knew no metadata. */
    public static final MetadataChoice NOTHING =
            new MetadataChoice(Kept.NONE, Private.DROPPED, Private.DROPPED, MetadataTexts.NONE);

    /** Everything is kept, personal data too, as in a file that is not changed. */
    public static final MetadataChoice EVERYTHING =
            new MetadataChoice(Kept.ALL, Private.KEPT, Private.KEPT, MetadataTexts.NONE);

    /** What a ticket does that says nothing of it: no photographer's notice is lost, and no place is given away. */
    public static final MetadataChoice USUAL =
            new MetadataChoice(Kept.CREDITS_AND_CAPTION, Private.DROPPED, Private.DROPPED, MetadataTexts.NONE);

    public MetadataChoice {
        Objects.requireNonNull(kept);
        Objects.requireNonNull(place);
        Objects.requireNonNull(serialNumbers);
        Objects.requireNonNull(texts);
    }
}
