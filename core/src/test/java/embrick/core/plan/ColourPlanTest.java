package embrick.core.plan;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Intent;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Ticket;
import org.junit.jupiter.api.Test;

class ColourPlanTest {
    private static final ProfileRef PAPER = new ProfileRef.Icc("paper", ColourModel.RGB);
    private static final ProfileRef INKS = new ProfileRef.Icc("inks", ColourModel.CMYK);
    private static final SourceFacts CMYK =
            picture(3000, 2000, ColourModel.CMYK).withProfile(new SourceProfile("press", "a press"));

    private static Plan plan(SourceFacts facts, Ticket ticket) {
        return ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred())).plan();
    }

    private static String problem(SourceFacts facts, Ticket ticket) {
        return ((Planning.Refused) Planner.plan(facts, ticket, Framing.centred()))
                .problems()
                .getFirst()
                .code();
    }

    private static Ticket to(ProfileRef profile) {
        return ticket().withColour(new OutputColour.Convert(profile, Rendering.RELATIVE_COMPENSATED));
    }

    @Test
    void convertingGoesThereAsTheTicketSays() {
        Rendering rendering = new Rendering(Intent.PERCEPTUAL, BlackPoint.PLAIN);
        Plan plan = plan(picture(3000, 2000), ticket().withColour(new OutputColour.Convert(PAPER, rendering)));
        assertThat(plan.colour()).isEqualTo(new ColourPath(new ProfileRef.Srgb(), PAPER, rendering));
    }

    @Test
    void namingKeepsTheNumbers() {
        Plan plan = plan(picture(3000, 2000), ticket().withColour(new OutputColour.Assign(PAPER)));
        assertThat(plan.colour().from()).isEqualTo(plan.colour().to()).isEqualTo(PAPER);
    }

    @Test
    void keepingKeepsGreyAndInksToo() {
        Plan grey = plan(picture(3000, 2000, ColourModel.GREY), ticket().withColour(new OutputColour.Keep()));
        assertThat(grey.colour().to().model()).isEqualTo(ColourModel.GREY);
        Plan inks = plan(CMYK, ticket().withColour(new OutputColour.Keep()).withFile(new FileFormat.Jpeg(90)));
        assertThat(inks.colour().to().model()).isEqualTo(ColourModel.CMYK);
        // Four channels of a byte.
        assertThat(inks.figures().unpackedBytes()).isEqualTo(4 * inks.total().pixels());
    }

    @Test
    void aNameForOtherPicturesIsRefused() {
        assertThat(problem(picture(3000, 2000), ticket().withColour(new OutputColour.Assign(INKS))))
                .isEqualTo("profile-for-others");
    }

    @Test
    void pngHoldsNoInks() {
        assertThat(problem(picture(3000, 2000), to(INKS).withFile(new FileFormat.Png(Depth.AS_ORIGINAL))))
                .isEqualTo("png-without-cmyk");
    }

    @Test
    void inksThatStayInksAreNotSharpened() {
        Ticket sharpened = to(INKS).withSharpening(new Sharpening.ForPaper(PaperKind.LUSTRE));
        assertThat(problem(CMYK, sharpened)).isEqualTo("sharpening-on-inks");
        assertThat(plan(picture(3000, 2000), sharpened).sharpening()).isPresent();
    }

    @Test
    void deepFilesAreNotDithered() {
        Ticket dithered = ticket().withRounding(Rounding.DITHERED);
        assertThat(plan(picture(3000, 2000), dithered).rounding()).isEqualTo(Rounding.DITHERED);
        Ticket deep = dithered.withFile(new FileFormat.Tiff(FileFormat.Packing.PLAIN, Depth.SIXTEEN));
        assertThat(plan(picture(3000, 2000), deep).rounding()).isEqualTo(Rounding.NEAREST);
    }

    @Test
    void whereColoursAreKnownFromIsTold() {
        SourceFacts assumed = picture(3000, 2000).withProfile(new SourceProfile("x", "opRGB", ProfileOrigin.ASSUMED));
        Planning planning = Planner.plan(assumed, ticket(), Framing.centred());
        assertThat(((Planning.Ready) planning).notices())
                .extracting(Notice::text)
                .contains("no profile: opRGB assumed");
    }

    @Test
    void absoluteIntentKnowsNoCompensation() {
        org.assertj.core.api.Assertions.assertThatIllegalArgumentException()
                .isThrownBy(() -> new Rendering(Intent.ABSOLUTE, BlackPoint.COMPENSATED));
    }
}
