package embrick.server.documents;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings documents that were stored by earlier versions to the present shape, step by step. What a document did not say
 * then is what the application did then.
 */
final class Upcasts {
    private Upcasts() {}

    /** Version 1 had no resampling, no lift and 8 bits. */
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
        }
        return ticket;
    }

    static ObjectNode framing(ObjectNode framing) {
        int version = framing.path("schemaVersion").asInt(0);
        if (version != 1) {
            throw new IllegalStateException("framing: expected schemaVersion 1, got " + version);
        }
        return framing;
    }

    /** Plans named only their kernel, which was always the same. */
    static ObjectNode plan(ObjectNode plan) {
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
        return plan;
    }

    static ObjectNode facts(ObjectNode facts) {
        if (!facts.has("pages")) {
            facts.put("pages", "ONE");
        }
        return facts;
    }

    private static void deepen(JsonNode file) {
        if (file instanceof ObjectNode object
                && !"jpeg".equals(file.path("kind").asString(""))) {
            object.put("depth", "EIGHT");
        }
    }
}
