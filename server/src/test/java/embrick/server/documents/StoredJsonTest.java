package embrick.server.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.colour.ColourPath;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.edge.Extension;
import embrick.core.framing.Framing;
import embrick.core.framing.HalfPlane;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.CaptionText;
import embrick.core.plan.MadeBy;
import embrick.core.plan.MeasuredWords;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.Depth;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Mark;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.icc.ShippedProfile;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class StoredJsonTest {
    private final StoredJson json = new StoredJson();

    private static final SourceFacts FACTS = new SourceFacts(
            FileKind.TIFF,
            new PixelSize(4000, 3000),
            Orientation.QUARTER_LEFT,
            Optional.of(new MarkedPpi(Resolution.perMetre(11811), Resolution.perInch(300))),
            new SourceColour(ColourModel.RGB, Alpha.SEE_THROUGH, 16, Optional.of(new SourceProfile("ab12", "wide"))),
            77);

    private static final LengthDocument ONE_INCH = new LengthDocument(BigDecimal.ONE, LengthUnit.IN);

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
        assertThat(plan.colour().from()).isEqualTo(new ProfileRef.Icc("ab12", ColourModel.RGB));
        assertThat(json.plan(json.writePlan(plan))).isEqualTo(plan);
    }

    @Test
    void plansWithEdgesComeBackAsTheyWere() {
        Ticket ticket = TicketDocuments.toTicket(TicketDocuments.standard());
        for (Edges edges : List.of(
                new Edges.Wrap(
                        Sides.even(Length.inches("1")),
                        Sides.even(Length.inches("0.5")),
                        new EdgeFill.RimMean(),
                        Edges.WrapMarks.FOLDS_AND_CORNERS),
                new Edges.Bleed(Length.millimetres(3), Length.millimetres(3), new EdgeFill.Plain(PaperColour.BLACK)),
                new Edges.Border(
                        new BorderSize.Even(Length.inches("1")),
                        PaperColour.WHITE,
                        Optional.of(new Edges.KeyLine(Length.millimetres(1), PaperColour.BLACK)),
                        Optional.of(new Caption(
                                List.of(new Caption.Part.Title()), Length.millimetres(4), PaperColour.BLACK))))) {
            for (FileFormat file : List.of(
                    new FileFormat.Pdf(
                            new FileFormat.PagePixels.Coded(new FileFormat.Jpeg(90)), FileFormat.PageMarks.NONE),
                    new FileFormat.Pdf(
                            new FileFormat.PagePixels.Whole(Depth.SIXTEEN), FileFormat.PageMarks.CROP_AND_FOLD))) {
                Plan plan = ((Planning.Ready) Planner.plan(
                                FACTS,
                                ticket.withEdges(edges).withFile(file),
                                Framing.centred(),
                                MeasuredWords.ofCaption(Optional.of(new CaptionText("Tide", 2, "")))))
                        .plan();
                assertThat(json.plan(json.writePlan(plan))).isEqualTo(plan);
            }
        }
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
        // What was not said then is what was done then: one method, no sharpening, 8 bits.
        Ticket read = TicketDocuments.toTicket(ticket);
        assertThat(read.resampling().method()).contains(Method.LANCZOS3);
        assertThat(read.sharpening()).isEqualTo(new Sharpening.None());
        assertThat(read.file()).isEqualTo(new FileFormat.Tiff(Packing.DEFLATE, Depth.EIGHT));
        assertThat(ticket.schemaVersion()).isEqualTo(TicketDocument.SCHEMA_VERSION);
        assertThat(read.colour()).isEqualTo(new OutputColour.Keep());
        assertThat(read.rounding()).isEqualTo(Rounding.NEAREST);
    }

    /** A ticket as version 2 stored it: no edges, a whole picture in the middle, no marks. */
    @Test
    void aTicketOfVersion2IsRead() {
        TicketDocument ticket = json.ticket("""
                {"schemaVersion":2,"name":"Whole","unit":"IN",
                 "size":{"kind":"paper","width":{"value":8,"unit":"IN"},"height":{"value":10,"unit":"IN"}},
                 "turn":"SUIT","fit":{"kind":"inside","paper":"#FFFFFF"},"ppi":300,"viewing":"HAND",
                 "resampling":{"method":"BY_ITSELF","light":"ENCODED","ringing":"FREE"},"lift":{"kind":"none"},
                 "colour":"SRGB","file":{"kind":"jpeg","quality":95},"names":[{"kind":"original"}],"folder":"x"}
                """);
        Ticket read = TicketDocuments.toTicket(ticket);
        assertThat(read.edges()).isEqualTo(new Edges.None());
        assertThat(read.fit()).isEqualTo(new Fit.Inside(PaperColour.WHITE));
        // Colours were sRGB, relative with compensation.
        assertThat(ticket.colour()).isEqualTo(ColourDocument.srgb());
        assertThat(ColourDocument.SRGB).isEqualTo(ShippedProfile.SRGB.digest());
        assertThat(json.ticket(json.write(ticket))).isEqualTo(ticket);
    }

    /** What version 4 called lift and a name. */
    @Test
    void aTicketOfVersion4IsRead() {
        String stored = json.write(TicketDocuments.standard());
        String old = stored.replace("\"schemaVersion\":" + TicketDocument.SCHEMA_VERSION, "\"schemaVersion\":4")
                .replace("\"sharpening\":{\"kind\":\"none\"}", """
                        "lift":{"kind":"wide","strength":30,"radius":{"value":7.5,"unit":"MM"}}""")
                .replace("\"ringing\":\"FREE\"", "\"ringing\":\"BOUNDED\"");
        assertThat(old).contains("lift").contains("BOUNDED").contains("\"schemaVersion\":4");
        Ticket read = TicketDocuments.toTicket(json.ticket(old));
        assertThat(read.sharpening())
                .isEqualTo(new Sharpening.LocalContrast(30, Length.parse("7.5 mm", LengthUnit.MM)));
        assertThat(read.resampling().ringing()).isEqualTo(Resampling.Ringing.LIMITED);
        assertThat(json.ticket(old.replace("\"kind\":\"convert\"", "\"kind\":\"name\"")
                                .replaceAll(",\"intent\":\"\\w+\",\"blackPoint\":\"\\w+\"", ""))
                        .colour())
                .isEqualTo(new ColourDocument.AssignColours(
                        new ColourDocument.ProfileDocument(ColourDocument.SRGB, ColourModel.RGB)));
    }

    /** Overrides and the edits that made them, as version 1 stored them. */
    @Test
    void anOverrideOfVersion1IsRead() {
        String old = """
                {"schemaVersion":1,"ppi":240,"lift":{"kind":"edges","strength":40,"radius":{"value":0.1,"unit":"MM"},
                 "threshold":1}}""";
        OverrideDocument read = json.override(old);
        assertThat(read.sharpening())
                .isEqualTo(new SharpeningDocument.ExactSharpening(
                        40, new LengthDocument(new BigDecimal("0.1"), LengthUnit.MM), 1));
        EditDocument edit = json.edit("""
                {"framings":[],"departures":[{"originalId":"019ab8f0-0000-7000-8000-000000000001",
                  "ticketId":"019ab8f0-0000-7000-8000-000000000002","before":{"schemaVersion":1,"ppi":null,"lift":null},
                  "after":%s}]}
                """.formatted(old));
        assertThat(edit.overrides().getFirst().after()).isEqualTo(read);
        assertThat(edit.overrides().getFirst().before()).isEqualTo(OverrideDocument.none());
    }

    /** A plan as it was stored beside a piece before methods could be chosen, and facts before pages were counted. */
    @Test
    void aPlanOfTheFirstShapeIsRead() {
        Plan plan = json.plan("""
                {"source":{"stored":{"width":60,"height":40},"model":"RGB","alpha":"OPAQUE"},
                 "sheet":{"width":30,"height":20},"picture":{"x":0,"y":0,"width":30,"height":20},
                 "window":{"seenAs":"UPRIGHT","output":{"width":30,"height":20},"centreX":30.0,"centreY":20.0,
                           "scale":2.0,"tiltDegrees":0.0},
                 "kernel":"LANCZOS3","colour":{"from":{"kind":"srgb"},"to":{"kind":"srgb"}},
                 "paper":{"red":255,"green":255,"blue":255},"marked":{"pixels":1,"perParts":3048},
                 "file":{"kind":"png"},"shapeKey":"own","limits":[{"a":-1,"b":0,"c":0.5,"d":0}],
                 "figures":{"realPpi":600.0,"verdict":"FINE","frameWidth":60.0,"frameHeight":40.0,"lostShare":0.0,
                            "unpackedBytes":1800,"expectedFileBytes":11170}}
                """);
        assertThat(plan.resampling()).isEqualTo(Resampling.by(Method.LANCZOS3));
        assertThat(plan.sharpening()).isEmpty();
        assertThat(plan.madeBy()).isEqualTo(new MadeBy(1, Optional.empty()));
        assertThat(plan.bitsPerChannel()).isEqualTo(8);
        assertThat(plan.corners()).isEqualTo(Framing.Corners.COVERED);
        assertThat(plan.extension()).isEqualTo(Extension.none());
        assertThat(plan.total()).isEqualTo(plan.sheet());
        assertThat(plan.colour()).isEqualTo(new ColourPath(new ProfileRef.Srgb(), new ProfileRef.Srgb()));
        assertThat(plan.rounding()).isEqualTo(Rounding.NEAREST);
        ProfileRef old = json.plan(json.write(plan).replace("\"from\":{\"kind\":\"srgb\"}", """
                "from":{"kind":"embedded","digest":"ab","model":"RGB"}"""))
                .colour()
                .from();
        assertThat(old).isEqualTo(new ProfileRef.Icc("ab", ColourModel.RGB));
        assertThat(plan.limits().planes()).containsExactly(HalfPlane.ofCentre(-1, 0, 0.5, 0));
        String oldFacts = json.write(FACTS).replace("\"pages\":\"ONE\",\"title\":null,", "");
        assertThat(oldFacts).doesNotContain("pages").doesNotContain("title");
        assertThat(json.facts(oldFacts)).isEqualTo(FACTS);
    }

    /** Sharpening was of one kind, and did not say which, until blurs could be undone too. */
    @Test
    void sharpeningWithoutItsKindIsUnsharpMasking() {
        Plan plan = ((Planning.Ready)
                        Planner.plan(FACTS, TicketDocuments.toTicket(TicketDocuments.standard()), Framing.centred()))
                .plan();
        Plan masked = plan.withSharpening(Optional.of(new UnsharpMasking(0.5, 1.2, 0.01)));
        String stored = json.writePlan(masked);
        String old = stored.replace("\"kind\":\"unsharp-masking\",", "")
                .replace("\"schemaVersion\":9", "\"schemaVersion\":7")
                .replace(",\"growing\":null", "");
        assertThat(stored).contains("unsharp-masking");
        assertThat(json.plan(old)).isEqualTo(masked);
        Plan undoing =
                plan.withSharpening(Optional.of(new Deconvolution(new Deconvolution.Spread.Line(7, 30), 12, 0.01)));
        assertThat(json.plan(json.writePlan(undoing))).isEqualTo(undoing);
    }

    /** A framing as version 1 stored it, alone and within an edit: its corners were covered. */
    @Test
    void aFramingOfVersion1IsRead() {
        String old = """
                {"schemaVersion":1,"centreX":0.25,"centreY":0.5,"tightness":1.5,"tiltDegrees":-2.0,"quarterTurns":1,
                 "mirror":"MIRRORED","turn":"WIDE","free":null}
                """;
        FramingDocument read = json.framing(old);
        assertThat(read.corners()).isEqualTo(Framing.Corners.COVERED);
        assertThat(read.schemaVersion()).isEqualTo(FramingDocument.SCHEMA_VERSION);
        EditDocument edit = json.edit("""
                {"framings":[{"originalId":"019ab8f0-0000-7000-8000-000000000001","shapeKey":"4:5",
                  "before":{"document":%s,"accepted":false},"after":{"document":%s,"accepted":true}}],"overrides":[]}
                """.formatted(old, old));
        assertThat(edit.framings().getFirst().before().document()).isEqualTo(read);
        assertThat(json.edit(json.write(edit))).isEqualTo(edit);
    }

    @Test
    void aDocumentOfAnUnknownVersionIsNotGuessedAt() {
        assertThatThrownBy(() -> json.ticket("{\"schemaVersion\":99}"))
                .hasMessage("ticket: expected schemaVersion 1 to 5, got 99");
    }

    /** A plan that a later Embrick stored is not half understood. */
    @Test
    void aPlanOfALaterVersionIsRefused() {
        Plan plan = ((Planning.Ready)
                        Planner.plan(FACTS, TicketDocuments.toTicket(TicketDocuments.standard()), Framing.centred()))
                .plan();
        String stored = json.writePlan(plan);
        assertThat(stored).contains("\"schemaVersion\":9");
        assertThatThrownBy(() -> json.plan(stored.replace("\"schemaVersion\":9", "\"schemaVersion\":10")))
                .hasMessageContaining("version 9 or earlier, got 10");
    }

    /** What stands at the bottom was at the foot before. */
    @Test
    void earlierNamesAreStillRead() {
        TicketDocument bordered = edged(new EdgesDocument.BorderEdges(
                new EdgesDocument.BorderSizeDocument.HeavierBottomBorder(ONE_INCH, ONE_INCH), "#FFFFFF", null, null));
        TicketDocument wrapped = edged(new EdgesDocument.WrapEdges(
                new EdgesDocument.SidesDocument(ONE_INCH, ONE_INCH, ONE_INCH, ONE_INCH),
                new EdgesDocument.SidesDocument(ONE_INCH, ONE_INCH, ONE_INCH, ONE_INCH),
                new EdgesDocument.FillDocument.MirrorFill(),
                Edges.WrapMarks.NONE));
        for (TicketDocument document : List.of(bordered, wrapped)) {
            String stored = json.write(document);
            String earlier = stored.replace("\"heavier-bottom\"", "\"foot\"").replace("\"bottom\"", "\"foot\"");
            assertThat(earlier).isNotEqualTo(stored);
            assertThat(json.ticket(earlier)).isEqualTo(document);
            Plan plan = ((Planning.Ready) Planner.plan(
                            FACTS, TicketDocuments.toTicket(document), Framing.centred(), MeasuredWords.NONE))
                    .plan();
            assertThat(json.plan(json.writePlan(plan).replace("\"bottom\"", "\"foot\"")))
                    .isEqualTo(plan);
        }
        assertThat(json.read("[\"FOOT\", \"FOOT_LEFT\", \"BOTTOM_RIGHT\"]", Anchor[].class))
                .containsExactly(Anchor.BOTTOM, Anchor.BOTTOM_LEFT, Anchor.BOTTOM_RIGHT);
        assertThat(json.read("[\"FOOT_RIGHT\"]", Mark.Place[].class)).containsExactly(Mark.Place.BOTTOM_RIGHT);
    }

    private TicketDocument edged(EdgesDocument edges) {
        return json.with(Map.of("edges", edges), TicketDocuments.standard());
    }
}
