package embrick.core.source;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What was read off an original.
 *
 * @param stored pixels as they lie in the file, before orientation
 * @param ppi as marked in the file, across and down; empty where the file says nothing or nonsense
 * @param colour model, depth and profile
 * @param title that the file gives its picture
 * @param detail what its pixels are worth
 */
public record SourceFacts(
        FileKind kind,
        PixelSize stored,
        Orientation orientation,
        Optional<MarkedPpi> ppi,
        SourceColour colour,
        Pages pages,
        Optional<String> title,
        long fileBytes,
        SourceDetail detail) {

    public SourceFacts {
        Objects.requireNonNull(kind);
        Objects.requireNonNull(stored);
        Objects.requireNonNull(orientation);
        Objects.requireNonNull(ppi);
        Objects.requireNonNull(colour);
        Objects.requireNonNull(pages);
        Objects.requireNonNull(title);
        Objects.requireNonNull(detail);
        if (fileBytes < 0) {
            throw new IllegalArgumentException("fileBytes: expected 0 or more, got " + fileBytes);
        }
    }

    /** Facts of a file whose pixels were not measured. */
    public SourceFacts(
            FileKind kind,
            PixelSize stored,
            Orientation orientation,
            Optional<MarkedPpi> ppi,
            SourceColour colour,
            Pages pages,
            Optional<String> title,
            long fileBytes) {
        this(kind, stored, orientation, ppi, colour, pages, title, fileBytes, SourceDetail.UNKNOWN);
    }

    /** Facts of a file with one picture and no title. */
    public SourceFacts(
            FileKind kind,
            PixelSize stored,
            Orientation orientation,
            Optional<MarkedPpi> ppi,
            SourceColour colour,
            long fileBytes) {
        this(kind, stored, orientation, ppi, colour, Pages.ONE, Optional.empty(), fileBytes);
    }

    /** The ppi across that the file is marked with. */
    public Optional<Resolution> across() {
        return ppi.map(MarkedPpi::across);
    }

    /** With a ppi that somebody stated, whatever the file is marked with. */
    public SourceFacts withPpi(Resolution stated) {
        return new SourceFacts(
                kind,
                stored,
                orientation,
                Optional.of(new MarkedPpi(stated, stated)),
                colour,
                pages,
                title,
                fileBytes,
                detail);
    }

    /** Pixels as the picture is seen. */
    public PixelSize seen() {
        return orientation.seenSize(stored);
    }

    /** Megabytes are this ÷ 2²⁰: width × height × channels × bytes. */
    public long unpackedBytes() {
        return stored.bytes(colour.channels(), colour.bitsPerChannel() / 8);
    }

    /** The formats that are read or written; a PDF is written only. */
    public enum FileKind {
        JPEG,
        TIFF,
        PNG,
        HEIF,
        WEBP,
        PDF
    }

    /** Whether a file holds more pictures than the one that is used. */
    public enum Pages {
        ONE,
        FIRST_OF_SEVERAL
    }

    /** Across and down are two numbers; most files give the same. */
    public record MarkedPpi(Resolution across, Resolution down) {}

    /** Whether a picture has see-through parts. */
    public enum Alpha {
        OPAQUE,
        SEE_THROUGH
    }

    /**
     * @param bitsPerChannel 8 or 16, as decoded
     * @param profile that says what the numbers look like; empty where nothing is known of it
     * @param remarks on what the file says of its colours and what cannot be so
     */
    public record SourceColour(
            ColourModel model,
            Alpha alpha,
            int bitsPerChannel,
            Optional<SourceProfile> profile,
            List<ColourRemark> remarks) {
        public SourceColour {
            Objects.requireNonNull(model);
            Objects.requireNonNull(alpha);
            Objects.requireNonNull(profile);
            remarks = List.copyOf(remarks);
            if (bitsPerChannel != 8 && bitsPerChannel != 16) {
                throw new IllegalArgumentException("bitsPerChannel: expected 8 or 16, got " + bitsPerChannel);
            }
        }

        /** Without remarks. */
        public SourceColour(ColourModel model, Alpha alpha, int bitsPerChannel, Optional<SourceProfile> profile) {
            this(model, alpha, bitsPerChannel, profile, List.of());
        }

        public int channels() {
            return model.channels() + (alpha == Alpha.SEE_THROUGH ? 1 : 0);
        }
    }

    /** The same picture under another profile. */
    public SourceFacts withProfile(SourceProfile profile) {
        SourceColour known = new SourceColour(
                colour.model(), colour.alpha(), colour.bitsPerChannel(), Optional.of(profile), colour.remarks());
        return new SourceFacts(kind, stored, orientation, ppi, known, pages, title, fileBytes, detail);
    }

    public SourceFacts withDetail(SourceDetail measured) {
        return new SourceFacts(kind, stored, orientation, ppi, colour, pages, title, fileBytes, measured);
    }

    /** The facts of the same picture, decoded to fewer pixels: what those hold is not known. */
    public SourceFacts reducedTo(PixelSize size) {
        return size.equals(stored)
                ? this
                : new SourceFacts(kind, size, orientation, ppi, colour, pages, title, fileBytes);
    }

    /** Where it is known from which profile a picture has. */
    public enum ProfileOrigin {
        /** It came in the file. */
        EMBEDDED,
        /** The file names a standard space. */
        NAMED,
        /** The file says nothing, and the job does. */
        ASSUMED,
        /** Somebody said so. */
        BY_HAND
    }

    /** An ICC profile by the SHA-256 of its bytes, and what people call it. */
    public record SourceProfile(String digest, String description, ProfileOrigin origin) {
        public SourceProfile {
            Objects.requireNonNull(digest);
            Objects.requireNonNull(description);
            Objects.requireNonNull(origin);
        }

        /** One that came in the file. */
        public SourceProfile(String digest, String description) {
            this(digest, description, ProfileOrigin.EMBEDDED);
        }
    }

    /** Something odd in what a file says of its colours; the text follows the picture's name. */
    public record ColourRemark(String code, String text) {}
}
