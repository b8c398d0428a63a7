package embrick.core.plan;

import embrick.core.colour.ProfileRef;
import embrick.core.pixels.ColourModel;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a ticket's colour may ask of a picture, and what somebody should know of it. */
final class ColourRule {
    private ColourRule() {}

    static List<Problem> problems(SourceFacts facts, Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        ColourModel model = facts.colour().model();
        boolean isNamed = ticket.colour() instanceof OutputColour.Assign;
        if (model == ColourModel.CMYK && facts.colour().profile().isEmpty() && !isNamed) {
            problems.add(Problem.of(
                    "cmyk-without-profile",
                    "colour",
                    "a CMYK picture with its profile",
                    "CMYK without a profile",
                    "Set its profile on the pile, or assign one on the ticket."));
            return problems;
        }
        if (ticket.colour() instanceof OutputColour.Assign(ProfileRef profile) && profile.model() != model) {
            problems.add(Problem.of(
                    "profile-for-others",
                    "colour",
                    "a profile for " + said(model) + " pictures, whose values stay as they are",
                    "one for " + said(profile.model()),
                    "Convert instead of assigning, or leave this picture out."));
            return problems;
        }
        ColourModel target = target(facts, ticket);
        if (target == ColourModel.CMYK && ticket.file() instanceof FileFormat.Png) {
            problems.add(Problem.of(
                    "png-without-cmyk",
                    "file",
                    "grey or RGB in PNG",
                    "CMYK",
                    "Choose TIFF, JPEG or PDF for four inks, or an RGB profile."));
        }
        if (target != ColourModel.RGB && ticket.file() instanceof FileFormat.Webp) {
            problems.add(Problem.of(
                    "webp-is-rgb",
                    "file",
                    "RGB in WebP",
                    said(target),
                    "Convert to an RGB profile, or choose another file."));
        }
        if (model == ColourModel.CMYK
                && target == ColourModel.CMYK
                && !(ticket.sharpening() instanceof Sharpening.None)) {
            problems.add(Problem.of(
                    "sharpening-on-inks",
                    "sharpening",
                    "no sharpening where CMYK stays CMYK: amounts of ink have no luminance to sharpen",
                    "sharpening",
                    "Turn sharpening off, or convert to an RGB profile."));
        }
        return problems;
    }

    private static ColourModel target(SourceFacts facts, Ticket ticket) {
        return switch (ticket.colour()) {
            case OutputColour.Keep _ -> facts.colour().model();
            case OutputColour.Assign name -> name.profile().model();
            case OutputColour.Convert convert -> convert.profile().model();
        };
    }

    /** Where the picture's colours are known from, if not from a profile of its own. */
    static List<Notice> notices(SourceFacts facts, Ticket ticket) {
        List<Notice> notices = new ArrayList<>();
        if (ticket.colour() instanceof OutputColour.Assign) {
            return notices;
        }
        if (facts.colour().profile().isEmpty()) {
            notices.add(new Notice("profile-assumed", "no profile: sRGB assumed"));
        } else {
            SourceProfile profile = facts.colour().profile().get();
            switch (profile.origin()) {
                case ASSUMED ->
                    notices.add(new Notice("profile-assumed", "no profile: " + profile.description() + " assumed"));
                case BY_HAND -> notices.add(new Notice("profile-by-hand", profile.description() + ", set by hand"));
                case EMBEDDED, NAMED -> {
                    // As the file says: nothing to tell.
                }
            }
        }
        facts.colour().remarks().forEach(remark -> notices.add(new Notice(remark.code(), remark.text())));
        return notices;
    }

    private static String said(ColourModel model) {
        return model == ColourModel.GREY ? model.name().toLowerCase(Locale.ROOT) : model.name();
    }
}
