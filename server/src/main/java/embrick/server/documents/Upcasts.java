package embrick.server.documents;

import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings documents that were stored by earlier versions to the present shape, step by step. What a document did not say
 * then is what the application did then.
 */
final class Upcasts {
    private Upcasts() {}

    /** @throws IllegalArgumentException if a document is not of the version that this application writes */
    static void requirePresent(int version, int present) {
        if (version != present) {
            throw new IllegalArgumentException("schemaVersion: expected " + present + ", got " + version);
        }
    }

    /** Edits hold framings and overrides, each of the version it was stored in. */
    static ObjectNode edit(ObjectNode edit) {
        PlainNames.rename(edit, "departures", "overrides");
        for (JsonNode step : edit.path("framings")) {
            for (String state : List.of("before", "after")) {
                if (step.path(state).path("document") instanceof ObjectNode document) {
                    framing(document);
                }
            }
        }
        for (JsonNode step : edit.path("overrides")) {
            for (String state : List.of("before", "after")) {
                if (step.path(state) instanceof ObjectNode document) {
                    override(document);
                }
            }
        }
        return edit;
    }

    static ObjectNode override(ObjectNode override) {
        int version = override.path("schemaVersion").asInt(0);
        if (version < 1 || version > OverrideDocument.SCHEMA_VERSION) {
            throw new IllegalStateException(
                    "override: expected schemaVersion 1 to " + OverrideDocument.SCHEMA_VERSION + ", got " + version);
        }
        if (version == 1) {
            PlainNames.ofSharpening(override);
            override.put("schemaVersion", 2);
        }
        return override;
    }

    /** Version 1 had no resampling, no sharpening and 8 bits; version 2 no edges, version 3 two colours, version 4 other names. */
    static ObjectNode ticket(ObjectNode ticket, int present) {
        int version = ticket.path("schemaVersion").asInt(0);
        if (version < 1 || version > present) {
            throw new IllegalStateException("ticket: expected schemaVersion 1 to " + present + ", got " + version);
        }
        if (version == 1) {
            ticket.putObject("resampling")
                    .put("method", "LANCZOS3")
                    .put("light", "ENCODED")
                    .put("ringing", "FREE");
            ticket.putObject("lift").put("kind", "none");
            deepen(ticket.path("file"));
            ticket.put("schemaVersion", 2);
            version = 2;
        }
        if (version == 2) {
            ticket.putObject("edges").put("kind", "none");
            if (ticket.path("fit") instanceof ObjectNode fit) {
                placeInside(fit);
            }
            ticket.put("schemaVersion", 3);
            version = 3;
        }
        if (version == 3) {
            nameColours(ticket);
            ticket.put("rounding", "NEAREST");
            ticket.put("schemaVersion", 4);
            version = 4;
        }
        if (version == 4) {
            PlainNames.ofTicket(ticket);
            ticket.put("schemaVersion", 5);
        }
        return ticket;
    }

    /** Colours were sRGB or the original's. */
    private static void nameColours(ObjectNode ticket) {
        boolean isKept = "ORIGINAL".equals(ticket.path("colour").asString(""));
        ObjectNode colour = ticket.putObject("colour");
        if (isKept) {
            colour.put("kind", "keep");
            return;
        }
        colour.put("kind", "convert").put("intent", "RELATIVE").put("blackPoint", "COMPENSATED");
        colour.putObject("profile").put("digest", ColourDocument.SRGB).put("model", "RGB");
    }

    /** A whole picture stood in the middle, without margin; no fit had marks. */
    private static void placeInside(ObjectNode fit) {
        String kind = fit.path("kind").asString("");
        if ("inside".equals(kind)) {
            fit.put("anchor", "MIDDLE");
            fit.putObject("margin").put("value", 0).put("unit", "MM");
        }
        if (!"fill".equals(kind)) {
            fit.put("marks", "NONE");
        }
    }

    static ObjectNode framing(ObjectNode framing) {
        int version = framing.path("schemaVersion").asInt(0);
        if (version < 1 || version > FramingDocument.SCHEMA_VERSION) {
            throw new IllegalStateException(
                    "framing: expected schemaVersion 1 to " + FramingDocument.SCHEMA_VERSION + ", got " + version);
        }
        if (version == 1) {
            framing.put("corners", "COVERED");
            framing.put("schemaVersion", 2);
        }
        return framing;
    }

    /**
     * Plans carried no metadata over; before that they had other names for sharpening and ringing; before that one way of converting and no edges; before that they
     * named only their kernel, which was always the same, had no bare corners, and limits of the centre alone.
     */
    static ObjectNode plan(ObjectNode plan) {
        keepColour(plan.path("file"));
        keepColour(plan.path("file").path("pixels").path("jpeg"));
        if (!plan.has("metadata")) {
            ObjectNode metadata = plan.putObject("metadata");
            metadata.put("kept", "NONE").put("place", "DROPPED").put("serialNumbers", "DROPPED");
            metadata.putObject("texts").putArray("creators");
            ((ObjectNode) metadata.path("texts")).putArray("keywords");
        }
        if (plan.path("limits") instanceof ArrayNode planes) {
            planes.forEach(plane -> ((ObjectNode) plane).put("width", 0).put("height", 0));
            JsonNode stored = plan.path("source").path("stored");
            ObjectNode limits = plan.objectNode();
            limits.set("planes", planes);
            limits.set("travelX", stored.path("width"));
            limits.set("travelY", stored.path("height"));
            plan.set("limits", limits);
            plan.put("corners", "COVERED");
            ((ObjectNode) plan.path("figures")).put("bareShare", 0).put("fineEnlargement", 0);
        }
        if (!plan.has("extension")) {
            ObjectNode extension = plan.putObject("extension");
            extension
                    .putObject("bands")
                    .put("left", 0)
                    .put("top", 0)
                    .put("right", 0)
                    .put("bottom", 0);
            extension.putObject("fill").put("kind", "mirror");
            extension.putObject("rim").put("kind", "trimmed").put("safe", 0);
            extension.putNull("keyLine").putNull("caption").putArray("marks");
        }
        if (plan.path("colour") instanceof ObjectNode colour && !colour.has("rendering")) {
            colour.putObject("rendering").put("intent", "RELATIVE").put("blackPoint", "COMPENSATED");
            plan.put("rounding", "NEAREST");
        }
        if (plan.has("kernel")) {
            plan.remove("kernel");
            plan.putObject("resampling")
                    .put("method", "LANCZOS3")
                    .put("light", "ENCODED")
                    .put("ringing", "FREE");
            plan.putNull("lift");
            plan.put("bitsPerChannel", 8);
            deepen(plan.path("file"));
        }
        PlainNames.ofPlan(plan);
        return plan;
    }

    static ObjectNode facts(ObjectNode facts) {
        if (!facts.has("pages")) {
            facts.put("pages", "ONE");
        }
        if (!facts.has("title")) {
            facts.putNull("title");
        }
        if (!facts.has("detail")) {
            facts.putObject("detail")
                    .putNull("jpegQuality")
                    .putNull("heldShare")
                    .putNull("blockMarks");
        }
        if (facts.path("colour") instanceof ObjectNode colour && !colour.has("remarks")) {
            colour.putArray("remarks");
            if (colour.path("profile") instanceof ObjectNode profile) {
                boolean isNamed =
                        "sRGB, by name".equals(profile.path("description").asString(""));
                profile.put("origin", isNamed ? "NAMED" : "EMBEDDED");
            }
        }
        if (facts.at("/colour/profile") instanceof ObjectNode profile) {
            String description = profile.path("description").asString("");
            if (description.endsWith(", by name")) {
                profile.put("description", description.replace(", by name", " (named in the file)"));
            }
        }
        return facts;
    }

    /** JPEGs kept colour at full resolution. */
    private static void keepColour(JsonNode file) {
        if (file instanceof ObjectNode object && object.has("quality") && !object.has("chroma")) {
            object.put("chroma", "FULL");
        }
    }

    private static void deepen(JsonNode file) {
        if (file instanceof ObjectNode object
                && !"jpeg".equals(file.path("kind").asString(""))) {
            object.put("depth", "EIGHT");
        }
    }
}
