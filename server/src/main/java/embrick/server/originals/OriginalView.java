package embrick.server.originals;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.problem.Problem;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.server.storage.OriginalPlace;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;

/**
 * An original as it is sent.
 *
 * @param printedDamaged whether a person said that it is printed in spite of its damage
 * @param forPieces whether pieces are made of it: it opened, and if it is damaged a person said that it is printed
 * @param damage of a picture that can be seen all the same
 */
public record OriginalView(
        @NotNull UUID id,
        @NotNull String path,
        @NotNull String digest,
        long fileBytes,
        @NotNull Original.State state,

        @Schema(description = "Where it lies on the server's disks; null if it is kept in the storage", nullable = true)
        PlaceView inPlace,

        @Schema(nullable = true) UUID derivedFrom,
        boolean leftOut,
        boolean printedDamaged,
        boolean forPieces,

        @Schema(description = "The ppi that somebody stated, where the file says none or a wrong one", nullable = true)
        BigDecimal statedPpi,

        @Schema(nullable = true) DamageView damage,
        @Schema(nullable = true) FactsView facts,

        @Schema(description = "Title in its file", nullable = true)
        String title,

        @Schema(description = "Creators in its file", nullable = true)
        String creator,

        @Schema(
                description = "When it was taken, in the camera's own time",
                nullable = true,
                example = "2026-08-14T16:20:05")
        String taken,

        @Schema(description = "Whether some of its metadata could not be read")
        boolean metadataDamaged,

        @Schema(nullable = true) Problem problem) {

    /** @param path below the root */
    public record PlaceView(@NotNull String root, @NotNull String path) {
        static PlaceView of(OriginalPlace place) {
            return switch (place) {
                case OriginalPlace.Kept _ -> null;
                case OriginalPlace.InPlace inPlace -> new PlaceView(inPlace.root(), inPlace.path());
            };
        }
    }

    /**
     * Where damage begins in the picture as it is seen.
     *
     * @param from the side that is sound
     * @param share of the picture that is, counted from there; 0 where damage can lie anywhere
     */
    public record DamageView(@NotNull Side from, double share) {
        /** Sides of the seen picture. */
        public enum Side {
            TOP,
            RIGHT,
            BOTTOM,
            LEFT
        }

        /** @param begins share of the stored height above the damage */
        static DamageView of(Orientation seenAs, double begins) {
            // Where the axes are swapped stored rows are seen as columns.
            Side from = seenAs.swapsAxes()
                    ? (seenAs.reversesY() ? Side.RIGHT : Side.LEFT)
                    : (seenAs.reversesY() ? Side.BOTTOM : Side.TOP);
            return new DamageView(from, begins);
        }
    }

    /** What its pixels are worth; each null where it is not known. */
    public record DetailView(
            @Schema(nullable = true) Integer jpegQuality,

            @Schema(description = "Share of its pixels per inch up to which it holds detail", nullable = true)
            Double heldShare,

            @Schema(
                    description =
                            "How much further apart neighbours are across the borders of JPEG's blocks, in counts of 255",
                    nullable = true)
            Double blockMarks) {
        static DetailView of(SourceDetail detail) {
            return new DetailView(
                    detail.jpegQuality().orElse(null),
                    detail.heldShare().orElse(null),
                    detail.blockMarks().orElse(null));
        }
    }

    /**
     * @param width as the picture is seen
     * @param profile by which its numbers are understood
     * @param profileOrigin where that is known from
     * @param remarks on what the file says of itself and what cannot be so
     * @param firstOfSeveral whether the file holds more pictures than this one
     */
    public record FactsView(
            @NotNull FileKind kind,
            int width,
            int height,
            int orientation,
            @Schema(nullable = true) Double ppiAcross,
            @Schema(nullable = true) Double ppiDown,
            @NotNull ColourModel model,
            boolean seeThrough,
            int bitsPerChannel,
            @NotNull String profile,
            @NotNull String profileDigest,
            @NotNull ProfileOrigin profileOrigin,
            @NotNull List<String> remarks,
            boolean firstOfSeveral,
            long unpackedBytes,
            @NotNull DetailView detail) {
        /** @param facts whose profile is known */
        static FactsView of(SourceFacts facts) {
            SourceProfile profile = facts.colour().profile().orElseThrow();
            return new FactsView(
                    facts.kind(),
                    facts.seen().width(),
                    facts.seen().height(),
                    facts.orientation().tag(),
                    facts.ppi().map(ppi -> ppi.across().toPpi()).orElse(null),
                    facts.ppi().map(ppi -> ppi.down().toPpi()).orElse(null),
                    facts.colour().model(),
                    facts.colour().alpha() == Alpha.SEE_THROUGH,
                    facts.colour().bitsPerChannel(),
                    profile.description(),
                    profile.digest(),
                    profile.origin(),
                    facts.colour().remarks().stream().map(ColourRemark::text).toList(),
                    facts.pages() == Pages.FIRST_OF_SEVERAL,
                    facts.unpackedBytes(),
                    DetailView.of(facts.detail()));
        }
    }
}
