package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;

/** Part of a ticket that is kept outside jobs under a name, to be laid over any ticket. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = SavedSizeDocument.class, name = "size"),
    @JsonSubTypes.Type(value = NamePatternDocument.class, name = "names"),
    @JsonSubTypes.Type(value = ProductRuleDocument.class, name = "product")
})
@Schema(oneOf = {SavedSizeDocument.class, NamePatternDocument.class, ProductRuleDocument.class})
public sealed interface KeptDocument permits SavedSizeDocument, NamePatternDocument, ProductRuleDocument {
    /**
     * What a ticket says once this is laid over it, by the names of its phrases; all others stay.
     *
     * @param name under which it is kept
     */
    Map<String, Object> phrases(String name, TicketDocument under);
}
