package embrick.server.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.colour.ProfileRef;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.EmbeddedProfile;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class StoredJsonTest {
    private final StoredJson json = new StoredJson();

    private static final SourceFacts FACTS = new SourceFacts(
            FileKind.TIFF,
            new PixelSize(4000, 3000),
            Orientation.QUARTER_LEFT,
            Optional.of(new MarkedPpi(Resolution.perMetre(11811), Resolution.perInch(300))),
            new SourceColour(ColourModel.RGB, Alpha.SEE_THROUGH, 16, Optional.of(new EmbeddedProfile("ab12", "wide"))),
            77);

    @Test
    void factsComeBackAsTheyWere() {
        assertThat(json.facts(json.write(FACTS))).isEqualTo(FACTS);
    }

    @Test
    void plansComeBackAsTheyWere() {
        Plan plan = ((Planning.Ready) Planner.plan(
                        FACTS,
                        TicketDocuments.toTicket(TicketDocuments.standard()),
                        Framing.centred().withTilt(3).withTightness(1.7)))
                .plan();
        assertThat(plan.colour().from()).isEqualTo(new ProfileRef.Embedded("ab12", ColourModel.RGB));
        assertThat(json.plan(json.write(plan))).isEqualTo(plan);
    }

    @Test
    void ticketsAndFramingsComeBackAsTheyWere() {
        TicketDocument ticket = TicketDocuments.standard();
        assertThat(json.ticket(json.write(ticket))).isEqualTo(ticket);
        FramingDocument framing =
                FramingDocument.of(Framing.centred().withTilt(-2.4).withQuarterTurns(3));
        assertThat(json.framing(json.write(framing))).isEqualTo(framing);
    }

    /** A ticket as version 1 stored it: it must be read for ever. */
    @Test
    void aTicketOfVersion1IsRead() {
        TicketDocument ticket = json.ticket("""
                {"schemaVersion":1,"name":"A4 whole","unit":"MM",
                 "size":{"kind":"paper","width":{"value":210,"unit":"MM"},"height":{"value":297,"unit":"MM"}},
                 "turn":"UPRIGHT","fit":{"kind":"inside","paper":"#F0F0F0"},"ppi":299.7,"viewing":"WALL",
                 "colour":"ORIGINAL","file":{"kind":"tiff","packing":"DEFLATE"},
                 "names":[{"kind":"number","digits":3},{"kind":"words","text":"-x"}],"folder":"a4"}
                """);
        assertThat(TicketDocuments.toTicket(ticket).ppi()).isEqualTo(Resolution.perInch(2997, 10));
        assertThat(TicketDocuments.sizeText(ticket, 0, 0)).isEqualTo("210x297mm");
    }

    @Test
    void aDocumentOfAnUnknownVersionIsNotGuessedAt() {
        assertThatThrownBy(() -> json.ticket("{\"schemaVersion\":99}"))
                .hasMessage("document: expected schemaVersion 1, got 99");
    }
}
