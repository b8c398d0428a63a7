package embrick.server.documents;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The names that parts of documents had before version 5 of tickets, and what became of them. */
final class PlainNames {
    private PlainNames() {}

    static void ofTicket(ObjectNode ticket) {
        ofSharpening(ticket);
        ofRinging(ticket);
        renameKind(ticket.path("colour"), "name", "assign");
    }

    static void ofPlan(ObjectNode plan) {
        rename(plan, "lift", "sharpening");
        ofRinging(plan);
    }

    /** Tickets and overrides said it alike. */
    static void ofSharpening(ObjectNode document) {
        rename(document, "lift", "sharpening");
        renameKind(document.path("sharpening"), "edges", "exact");
        renameKind(document.path("sharpening"), "wide", "local-contrast");
    }

    private static void ofRinging(ObjectNode document) {
        if (document.path("resampling") instanceof ObjectNode resampling
                && "BOUNDED".equals(resampling.path("ringing").asString(""))) {
            resampling.put("ringing", "LIMITED");
        }
    }

    static void rename(ObjectNode document, String before, String now) {
        JsonNode part = document.remove(before);
        if (part != null) {
            document.set(now, part);
        }
    }

    private static void renameKind(JsonNode part, String before, String now) {
        if (part instanceof ObjectNode object && before.equals(part.path("kind").asString(""))) {
            object.put("kind", now);
        }
    }
}
