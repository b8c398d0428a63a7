package embrick.server.rolls;

import java.util.List;
import java.util.UUID;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What Embrick wants to know of a job when it looks at it again; the printer only keeps it. */
public record RollMemo(List<UUID> runIds, List<Of> pieces) {
    private static final JsonMapper JSON = new JsonMapper();

    /** @param number of the piece in its ticket */
    public record Of(int number, UUID originalId, boolean turned) {}

    public String written() {
        return JSON.writeValueAsString(this);
    }

    /** That of a job which somebody else has sent is empty. */
    static RollMemo read(String memo) {
        try {
            return JSON.readValue(memo, RollMemo.class);
        } catch (JacksonException another) {
            return new RollMemo(List.of(), List.of());
        }
    }
}
