package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.colour.Intent;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.pixels.ColourModel;
import embrick.core.ticket.OutputColour;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;

/** In which colours a piece leaves, as it is stored and sent. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ColourDocument.KeepColours.class, name = "keep"),
    @JsonSubTypes.Type(value = ColourDocument.AssignColours.class, name = "assign"),
    @JsonSubTypes.Type(value = ColourDocument.ConvertColours.class, name = "convert")
})
@Schema(
        oneOf = {
            ColourDocument.KeepColours.class,
            ColourDocument.AssignColours.class,
            ColourDocument.ConvertColours.class
        })
public sealed interface ColourDocument {
    /** SHA-256 of the sRGB profile that ships with Embrick, which never changes. */
    String SRGB = "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af";

    /** A profile by the SHA-256 of its bytes, and what it is for. */
    record ProfileDocument(
            @NotNull @Pattern(regexp = "[0-9a-f]{64}") String digest,
            @NotNull ColourModel model) {
        ProfileRef toRef() {
            return new ProfileRef.Icc(digest, model);
        }
    }

    /** The original's own profile and numbers. */
    record KeepColours() implements ColourDocument {}

    /** The original's numbers under another name. */
    record AssignColours(@NotNull @Valid ProfileDocument profile) implements ColourDocument {}

    record ConvertColours(
            @NotNull @Valid ProfileDocument profile,
            @NotNull Intent intent,
            @NotNull BlackPoint blackPoint) implements ColourDocument {}

    /** Converted as is usual for pictures: relative, with black points brought together. */
    static ColourDocument convertedTo(ProfileDocument profile) {
        return new ConvertColours(profile, Intent.RELATIVE, BlackPoint.COMPENSATED);
    }

    /** What a new ticket says. */
    static ColourDocument srgb() {
        return convertedTo(new ProfileDocument(SRGB, ColourModel.RGB));
    }

    /** @throws IllegalArgumentException if compensation is asked for with absolute intent */
    default OutputColour toColour() {
        return switch (this) {
            case KeepColours _ -> new OutputColour.Keep();
            case AssignColours assign ->
                new OutputColour.Assign(assign.profile().toRef());
            case ConvertColours convert ->
                new OutputColour.Convert(
                        convert.profile().toRef(), new Rendering(convert.intent(), convert.blackPoint()));
        };
    }
}
