package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The list of a delivery: the same lines for people with spreadsheets and for programs. */
@ExtendWith(RunningServer.class)
class DeliveryListTest {
    private static final List<String> COLUMNS = List.of(
            "piece",
            "original",
            "width_px",
            "height_px",
            "ppi",
            "bytes",
            "sha256",
            "halo_percent",
            "check",
            "copies",
            "ticket",
            "folder",
            "real_ppi",
            "verdict",
            "profile",
            "method",
            "sharpening",
            "original_sha256",
            "original_page",
            "original_title",
            "jpeg_quality");

    private final Api api = new Api(RunningServer.get().address());

    private String run(byte[] picture) {
        String job = api.newJob("listed");
        api.upload(job, "kite, red.jpg", picture);
        api.upload(job, "broken.jpg", new byte[0]);
        api.changeFirstTicket(job, ticket -> {
            ticket.put("ppi", 100);
            ticket.putObject("sharpening").put("kind", "paper").put("paper", "MATT");
        });
        String run = api.startRun(job);
        api.finished(run);
        return run;
    }

    private Map<String, byte[]> zipOf(String run) throws IOException {
        Map<String, byte[]> entries = new HashMap<>();
        try (ZipInputStream zip =
                new ZipInputStream(new ByteArrayInputStream(api.download("/runs/" + run + "/delivery.zip")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName().substring(entry.getName().indexOf('/') + 1), zip.readAllBytes());
            }
        }
        return entries;
    }

    private static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException none) {
            throw new IllegalStateException(none);
        }
    }

    @Test
    void everyLineSaysWhatWasAskedWhatCameOfItAndOfWhich() throws IOException {
        byte[] picture = TestPictures.drawn("jpg", 600, 480);
        String run = run(picture);
        Map<String, byte[]> zip = zipOf(run);
        JsonNode list = new JsonMapper().readTree(zip.get("list.json"));
        assertThat(list).hasSize(2);
        assertThat(list.get(0).propertyNames()).containsExactlyElementsOf(COLUMNS);

        JsonNode kite = list.get(1);
        assertThat(kite.path("original").asString()).isEqualTo("kite, red.jpg");
        assertThat(kite.path("original_sha256").asString()).isEqualTo(sha256(picture));
        assertThat(kite.path("sha256").asString())
                .isEqualTo(sha256(zip.get(kite.path("piece").asString())));
        // 600 px on 10 in, marked as 100.
        assertThat(kite.path("real_ppi").asDouble()).isEqualTo(60);
        assertThat(kite.path("ppi").asInt()).isEqualTo(100);
        assertThat(kite.path("verdict").asString()).isEqualTo("poor");
        assertThat(kite.path("profile").asString()).isEqualTo("sRGB");
        assertThat(kite.path("method").asString()).isNotBlank().isNotEqualTo("pixels kept");
        assertThat(kite.path("sharpening").asString()).startsWith("amount ");
        assertThat(kite.path("check").asString()).isEqualTo("checked");
        // What has no plan is listed with its reason, and with nothing invented.
        JsonNode broken = list.get(0);
        assertThat(broken.path("check").asString()).contains("broken.jpg");
        assertThat(broken.path("real_ppi").isNull()).isTrue();
    }

    @Test
    void theSheetIsUtf8WithItsMarkAndQuotesWhatItMust() throws IOException {
        String run = run(TestPictures.drawn("jpg", 600, 480));
        byte[] csv = api.download("/runs/" + run + "/delivery.csv");
        assertThat(csv).startsWith(0xEF, 0xBB, 0xBF);
        assertThat(csv).isEqualTo(zipOf(run).get("list.csv"));
        assertThat(api.download("/runs/" + run + "/certificate.json"))
                .isEqualTo(zipOf(run).get("certificate.json"));
        List<String> lines =
                new String(csv, StandardCharsets.UTF_8).substring(1).lines().toList();
        assertThat(lines.getFirst()).isEqualTo(String.join(",", COLUMNS));
        assertThat(lines.get(2)).startsWith("\"kite, red_8x10in.jpg\",\"kite, red.jpg\",");
    }
}
