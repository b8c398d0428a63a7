package embrick.server.documents;

import embrick.core.metadata.MetadataChoice.Kept;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.core.ticket.Measure;
import embrick.core.ticket.Size.Enlarging;
import embrick.server.documents.TicketDocument.BrickDocument;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What a ticket can begin with: the needs that come again and again, each as a whole ticket to be changed. */
@Component
public class TicketBeginnings {
    private final StoredJson json;

    TicketBeginnings(StoredJson json) {
        this.json = json;
    }

    public List<TicketDocument> all() {
        return List.of(TicketDocuments.standard(), screenSet(), marked(), converted(), renamed());
    }

    private TicketDocument screenSet() {
        return with(Map.of(
                "name",
                "Screen set, long side 2048",
                "folder",
                "screen",
                "size",
                new SizeDocument.Scaled(new MeasureDocument.SidePixels(Measure.Side.LONG, 2048), Enlarging.NEVER),
                "sharpening",
                new SharpeningDocument.ScreenSharpening(),
                "file",
                new FileDocument.Jpeg(88, Chroma.HALF, null),
                "names",
                List.of(new BrickDocument.OriginalName())));
    }

    private TicketDocument marked() {
        Map<String, Object> phrases = pixelsKept();
        phrases.put("name", "Marked 300 ppi, pixels kept");
        phrases.put("folder", "marked-300");
        phrases.put("file", new FileDocument.Jpeg(95));
        return with(phrases);
    }

    private TicketDocument converted() {
        Map<String, Object> phrases = pixelsKept();
        phrases.put("name", "Converted to JPEG, pixels kept");
        phrases.put("folder", "converted");
        phrases.put("file", new FileDocument.Jpeg(95));
        phrases.put(
                "metadata",
                new MetadataDocument(
                        Kept.ALL,
                        Private.DROPPED,
                        Private.DROPPED,
                        MetadataDocument.usual().texts()));
        return with(phrases);
    }

    private TicketDocument renamed() {
        Map<String, Object> phrases = pixelsKept();
        phrases.put("name", "Renamed, files untouched");
        phrases.put("folder", "renamed");
        phrases.put("file", new FileDocument.AsItIs());
        phrases.put(
                "metadata",
                new MetadataDocument(
                        Kept.ALL,
                        Private.KEPT,
                        Private.KEPT,
                        MetadataDocument.usual().texts()));
        phrases.put("names", List.of(new BrickDocument.JobName(), new BrickDocument.RunningNumber(3, 1)));
        return with(phrases);
    }

    private static Map<String, Object> pixelsKept() {
        Map<String, Object> phrases = new LinkedHashMap<>();
        phrases.put("size", new SizeDocument.OwnShape());
        phrases.put("colour", new ColourDocument.KeepColours());
        phrases.put("names", List.of(new BrickDocument.OriginalName()));
        return phrases;
    }

    private TicketDocument with(Map<String, Object> phrases) {
        return json.with(phrases, TicketDocuments.standard());
    }
}
