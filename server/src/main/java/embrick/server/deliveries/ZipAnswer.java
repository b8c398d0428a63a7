package embrick.server.deliveries;

import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpRange;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** A ZIP, or the part of it that is asked for (RFC 9110, section 14): a download that broke off goes on where it ended. */
final class ZipAnswer {
    private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

    private ZipAnswer() {}

    /**
     * @param range as it was asked for; null for all of it
     * @param ifRange the ETag that the part must belong to; null for any
     */
    static ResponseEntity<StreamingResponseBody> of(StoredZip zip, String range, String ifRange, String disposition) {
        String tag = '"' + zip.digest() + '"';
        long length = zip.length();
        ResponseEntity.BodyBuilder whole = answer(HttpStatus.OK, tag, disposition);
        // What was begun of another ZIP is begun anew.
        if (range == null || ifRange != null && !ifRange.equals(tag)) {
            return whole.contentLength(length).body(zip::writeTo);
        }
        List<HttpRange> parts;
        try {
            parts = HttpRange.parseRanges(range);
        } catch (IllegalArgumentException unreadable) {
            // RFC 9110, 14.2: a range that cannot be read is left out of account.
            return whole.contentLength(length).body(zip::writeTo);
        }
        if (parts.size() != 1) {
            return whole.contentLength(length).body(zip::writeTo);
        }
        long from = parts.getFirst().getRangeStart(length);
        long until = Math.min(length, parts.getFirst().getRangeEnd(length) + 1);
        if (from >= length || until <= from) {
            return answer(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE, tag, disposition)
                    .header(HttpHeaders.CONTENT_RANGE, "bytes */" + length)
                    .body(_ -> {});
        }
        return answer(HttpStatus.PARTIAL_CONTENT, tag, disposition)
                .contentLength(until - from)
                .header(HttpHeaders.CONTENT_RANGE, "bytes " + from + "-" + (until - 1) + "/" + length)
                .body(out -> zip.writeTo(out, from, until));
    }

    private static ResponseEntity.BodyBuilder answer(HttpStatus status, String tag, String disposition) {
        return ResponseEntity.status(status)
                .contentType(ZIP)
                .eTag(tag)
                .header(HttpHeaders.ACCEPT_RANGES, "bytes")
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition);
    }
}
