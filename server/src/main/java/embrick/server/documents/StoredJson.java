package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import embrick.core.colour.ProfileRef;
import embrick.core.edge.BandFill;
import embrick.core.edge.Rim;
import embrick.core.edge.Stamp;
import embrick.core.plan.Plan;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * JSON columns: documents by their own shape, plans and facts by the core's records, whose sealed types get their
 * {@code kind} here, since the core knows nothing of JSON.
 */
@Component
public class StoredJson {
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = FileFormat.Jpeg.class, name = "jpeg"),
        @JsonSubTypes.Type(value = FileFormat.Tiff.class, name = "tiff"),
        @JsonSubTypes.Type(value = FileFormat.Png.class, name = "png"),
        @JsonSubTypes.Type(value = FileFormat.Pdf.class, name = "pdf"),
        @JsonSubTypes.Type(value = FileFormat.Webp.class, name = "webp"),
        @JsonSubTypes.Type(value = FileFormat.AsItIs.class, name = "as-it-is")
    })
    private interface FileKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = FileFormat.PagePixels.Coded.class, name = "jpeg"),
        @JsonSubTypes.Type(value = FileFormat.PagePixels.Whole.class, name = "whole")
    })
    private interface PagePixelKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = BandFill.Mirror.class, name = "mirror"),
        @JsonSubTypes.Type(value = BandFill.DrawnOut.class, name = "drawn-out"),
        @JsonSubTypes.Type(value = BandFill.Plain.class, name = "plain"),
        @JsonSubTypes.Type(value = BandFill.RimMean.class, name = "rim-mean"),
        @JsonSubTypes.Type(value = BandFill.Grown.class, name = "grown")
    })
    private interface FillKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Rim.Trimmed.class, name = "trimmed"),
        @JsonSubTypes.Type(value = Rim.Folded.class, name = "folded"),
        @JsonSubTypes.Type(value = Rim.Joined.class, name = "joined")
    })
    private interface RimKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Stamp.Words.class, name = "words"),
        @JsonSubTypes.Type(value = Stamp.Figure.class, name = "figure")
    })
    private interface StampKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = ProfileRef.Srgb.class, name = "srgb"),
        @JsonSubTypes.Type(value = ProfileRef.AssumedGrey.class, name = "assumed-grey"),
        // Earlier versions knew only those that came inside a picture.
        @JsonSubTypes.Type(
                value = ProfileRef.Icc.class,
                names = {"icc", "embedded"})
    })
    private interface ProfileKinds {}

    /** Plans had only the first of these, and did not say so. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind", defaultImpl = UnsharpMasking.class)
    @JsonSubTypes({
        @JsonSubTypes.Type(value = UnsharpMasking.class, name = "unsharp-masking"),
        @JsonSubTypes.Type(value = Deconvolution.class, name = "deconvolution")
    })
    private interface SharpeningKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Deconvolution.Spread.Gaussian.class, name = "gaussian"),
        @JsonSubTypes.Type(value = Deconvolution.Spread.Line.class, name = "line")
    })
    private interface SpreadKinds {}

    private static final String VERSION = "schemaVersion";
    /** Plans before this version did not say theirs: it is told by their parts. */
    private static final int PLAN_VERSION = 9;
    /** From this version on all parts stand as they do now, but for kinds that came later. */
    private static final int PLAN_AS_NOW = 7;

    private static final int UNSAID = 0;

    /** Some kilobytes each, with the text they were read from. */
    private static final int MOST_FACTS = 10_000;

    private final Map<String, SourceFacts> facts = new ConcurrentHashMap<>();

    private final JsonMapper mapper = EarlierNames.readBy(JsonMapper.builder())
            .addMixIn(FileFormat.class, FileKinds.class)
            .addMixIn(FileFormat.PagePixels.class, PagePixelKinds.class)
            .addMixIn(BandFill.class, FillKinds.class)
            .addMixIn(Rim.class, RimKinds.class)
            .addMixIn(Stamp.class, StampKinds.class)
            .addMixIn(SharpeningSettings.class, SharpeningKinds.class)
            .addMixIn(Deconvolution.Spread.class, SpreadKinds.class)
            .addMixIn(ProfileRef.class, ProfileKinds.class)
            // Questions such as isWide() follow from the parts and are not stored.
            .changeDefaultVisibility(checker -> checker.withVisibility(PropertyAccessor.IS_GETTER, Visibility.NONE))
            .build();

    public String write(Object document) {
        return mapper.writeValueAsString(document);
    }

    /** What {@link #write} wrote. */
    public <T> T read(String json, Class<T> kind) {
        return mapper.readValue(json, kind);
    }

    public TicketDocument ticket(String json) {
        return mapper.treeToValue(Upcasts.ticket(object(json), TicketDocument.SCHEMA_VERSION), TicketDocument.class);
    }

    /** A ticket in the shape that this version writes, whichever wrote it. */
    public ObjectNode presentTicket(String json) {
        return Upcasts.ticket(object(json), TicketDocument.SCHEMA_VERSION);
    }

    public KeptDocument kept(String json) {
        return mapper.treeToValue(object(json), KeptDocument.class);
    }

    /** A ticket with something kept laid over it. */
    public TicketDocument laidOver(String name, KeptDocument kept, TicketDocument ticket) {
        return with(kept.phrases(name, ticket), ticket);
    }

    /** A ticket with other phrases, by their names. */
    TicketDocument with(Map<String, Object> phrases, TicketDocument ticket) {
        ObjectNode merged = mapper.valueToTree(ticket);
        phrases.forEach((phrase, value) -> merged.set(phrase, tree(value)));
        return mapper.treeToValue(merged, TicketDocument.class);
    }

    /** Elements of a list by themselves, or their kinds would not be said. */
    private JsonNode tree(Object value) {
        if (value instanceof List<?> list) {
            ArrayNode nodes = mapper.createArrayNode();
            list.forEach(element -> nodes.add(tree(element)));
            return nodes;
        }
        return mapper.valueToTree(value);
    }

    public FramingDocument framing(String json) {
        return mapper.treeToValue(Upcasts.framing(object(json)), FramingDocument.class);
    }

    /** A plan with the version of its shape. */
    public String writePlan(Plan plan) {
        ObjectNode object = mapper.valueToTree(plan);
        return mapper.writeValueAsString(object.put(VERSION, PLAN_VERSION));
    }

    /**
     * A stored plan, of this version or an earlier one.
     *
     * @throws IllegalStateException if a later version wrote it
     */
    public Plan plan(String json) {
        ObjectNode object = object(json);
        int version = object.path(VERSION).asInt(UNSAID);
        if (version > PLAN_VERSION) {
            throw new IllegalStateException("plan: expected version " + PLAN_VERSION + " or earlier, got " + version);
        }
        object.remove(VERSION);
        return mapper.treeToValue(version >= PLAN_AS_NOW ? object : Upcasts.plan(object), Plan.class);
    }

    /** Facts never change once they are stored, and a pile of thousands is listed again and again. */
    public SourceFacts facts(String json) {
        SourceFacts known = facts.get(json);
        if (known == null) {
            known = mapper.treeToValue(Upcasts.facts(object(json)), SourceFacts.class);
            if (facts.size() >= MOST_FACTS) {
                facts.clear();
            }
            facts.put(json, known);
        }
        return known;
    }

    public OverrideDocument override(String json) {
        return mapper.treeToValue(Upcasts.override(object(json)), OverrideDocument.class);
    }

    public EditDocument edit(String json) {
        return mapper.treeToValue(Upcasts.edit(object(json)), EditDocument.class);
    }

    private ObjectNode object(String json) {
        if (mapper.readTree(json) instanceof ObjectNode object) {
            return object;
        }
        throw new IllegalStateException("document: expected an object");
    }
}
