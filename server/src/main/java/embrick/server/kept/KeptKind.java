package embrick.server.kept;

import embrick.server.documents.KeptDocument;
import embrick.server.documents.NamePatternDocument;
import embrick.server.documents.ProductRuleDocument;
import embrick.server.documents.SavedSizeDocument;
import java.util.Locale;

/** What can be kept, as addresses and files call it. */
public enum KeptKind {
    SIZE("saved size", SavedSizeDocument.SCHEMA_VERSION),
    NAMES("name pattern", NamePatternDocument.SCHEMA_VERSION),
    PRODUCT("product rule", ProductRuleDocument.SCHEMA_VERSION);

    private final String called;
    private final int schemaVersion;

    KeptKind(String called, int schemaVersion) {
        this.called = called;
        this.schemaVersion = schemaVersion;
    }

    public static KeptKind of(KeptDocument document) {
        return switch (document) {
            case SavedSizeDocument _ -> SIZE;
            case NamePatternDocument _ -> NAMES;
            case ProductRuleDocument _ -> PRODUCT;
        };
    }

    /** As it stands in a document and a file. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** As people call it. */
    public String called() {
        return called;
    }

    /** The version of its documents that this application writes. */
    public int schemaVersion() {
        return schemaVersion;
    }
}
