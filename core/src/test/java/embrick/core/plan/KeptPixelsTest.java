package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.core.ticket.FileFormat.Compressed;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Converting alone says whether pixels are the same. */
class KeptPixelsTest {
    private static final Ticket CONVERTED =
            ticket().withSize(new Size.OwnShape()).withColour(new OutputColour.Keep());

    private static List<String> told(SourceFacts facts, Ticket ticket) {
        return ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred()))
                .notices().stream()
                        .filter(notice -> notice.code().equals("pixels-change"))
                        .map(Notice::text)
                        .toList();
    }

    @Test
    void nothingWhereTheyAre() {
        assertThat(told(picture(300, 200), CONVERTED.withFile(new FileFormat.Jpeg(90))))
                .isEmpty();
        assertThat(told(picture(300, 200), CONVERTED.withFile(new FileFormat.Png())))
                .isEmpty();
        assertThat(told(picture(300, 200), CONVERTED.withFile(new FileFormat.Webp(Optional.empty()))))
                .isEmpty();
        // New pixels are made anyway.
        assertThat(told(picture(300, 200), CONVERTED.withSize(onPaper("4 in", "6 in"))))
                .isEmpty();
    }

    @Test
    void whatChangesThemWhereTheyAreNot() {
        assertThat(told(picture(300, 200), CONVERTED.withFile(new FileFormat.Webp(Optional.of(90)))))
                .containsExactly("the picture is recompressed at quality 90");
        // A sideways JPEG cannot keep its code once its tag is applied.
        assertThat(told(picture(300, 200, Orientation.QUARTER_RIGHT), CONVERTED.withFile(new FileFormat.Jpeg(90))))
                .containsExactly("the picture is recompressed at quality 90");
        SourceFacts deep = new SourceFacts(
                SourceFacts.FileKind.TIFF,
                picture(300, 200).stored(),
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceFacts.SourceColour(
                        picture(300, 200).colour().model(), SourceFacts.Alpha.SEE_THROUGH, 16, Optional.empty()),
                1);
        assertThat(told(deep, CONVERTED.withFile(new FileFormat.Png(Depth.EIGHT))))
                .containsExactly("16 bits a channel become 8; see-through parts become paper");
    }

    /** What the ticket says of coding then changes nothing, and the file is as large as it was. */
    @Test
    void aJpegThatGoesOverAsItWasCodedIsToldSo() {
        SourceFacts jpeg = picture(300, 200);
        Planning.Ready kept =
                (Planning.Ready) Planner.plan(jpeg, CONVERTED.withFile(new FileFormat.Jpeg(40)), Framing.centred());
        assertThat(kept.notices()).extracting(Notice::code).contains("code-kept");
        assertThat(kept.plan().figures().expectedFileBytes()).isEqualTo(jpeg.fileBytes());
        FileFormat again = new FileFormat.Jpeg(40, Chroma.FULL, Optional.empty(), Compressed.ALWAYS);
        assertThat(told(jpeg, CONVERTED.withFile(again))).containsExactly("the picture is recompressed at quality 40");
        Planning.Ready recompressed = (Planning.Ready) Planner.plan(jpeg, CONVERTED.withFile(again), Framing.centred());
        assertThat(recompressed.notices()).extracting(Notice::code).doesNotContain("code-kept");
        Planning.Ready made =
                (Planning.Ready) Planner.plan(jpeg, CONVERTED.withFile(new FileFormat.Png()), Framing.centred());
        assertThat(made.notices()).extracting(Notice::code).doesNotContain("code-kept");
    }
}
