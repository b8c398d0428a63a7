package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.demo.DrawPictures;
import embrick.demo.FillDemoJob;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The demo job as it begins: every sound original at 8 × 10 in, 300 ppi, confirmed by exiftool and Pillow. */
@ExtendWith(RunningServer.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoJobTest {
    private static final int SOUND = 25;

    private final Api api = new Api(RunningServer.get().address());
    private String job;

    @BeforeAll
    void fill() throws Exception {
        Path pictures = Path.of("target/demo-pictures").toAbsolutePath();
        DrawPictures.into(pictures);
        job = FillDemoJob.into(RunningServer.get().address(), pictures);
    }

    @Test
    void itOpensWithFramingsADeliveryAndBrokenFilesWithTheirReason() {
        JsonNode originals = api.get("/jobs/" + job + "/originals").body();
        assertThat(originals).hasSizeGreaterThanOrEqualTo(24);
        int sound = 0;
        for (JsonNode original : originals) {
            if (original.path("state").asString().equals("SOUND")) {
                sound++;
            } else {
                assertThat(original.path("problem").path("text").asString()).isNotBlank();
            }
        }
        assertThat(sound).isEqualTo(SOUND);
        assertThat(api.get("/jobs/" + job + "/framings?shape=4:5").body()).hasSize(9);
        JsonNode run = api.get("/jobs/" + job + "/runs").body().get(0);
        assertThat(run.path("state").asString()).isEqualTo("FINISHED");
        assertThat(run.path("counts").path("checked").asInt()).isEqualTo(SOUND);
        assertThat(run.path("counts").path("failed").asInt()).isEqualTo(2);
    }

    @Test
    void drawingIsTheSameOnEveryMachineAndDoneOnce() throws Exception {
        assertThat(DrawPictures.into(Path.of("target/demo-pictures").toAbsolutePath()))
                .isZero();
    }

    private static Consumer<ObjectNode> file(String kind) {
        return document -> {
            ObjectNode file = document.putObject("file").put("kind", kind);
            switch (kind) {
                case "jpeg" -> file.put("quality", 95);
                case "tiff" -> file.put("packing", "PLAIN").put("depth", "EIGHT");
                default -> file.put("depth", "EIGHT");
            }
            document.put("name", "Check " + kind);
            document.put("folder", "check-" + kind);
        };
    }

    @ParameterizedTest
    @CsvSource({"jpeg, JPEG", "png, PNG", "tiff, TIFF"})
    void everySoundOriginalIsExact(String kind, String pillowFormat) {
        ObjectNode document = (ObjectNode) api.firstTicket(job).path("document");
        file(kind).accept(document);
        String ticket = api.post("/jobs/" + job + "/tickets", document)
                .body()
                .path("id")
                .asString();
        String runId = api.post("/tickets/" + ticket + "/runs", Map.of())
                .body()
                .path("id")
                .asString();
        JsonNode run = api.finished(runId);
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(SOUND);
        Path folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString());

        String tags = Outside.run(java.util.List.of(
                "exiftool",
                "-q",
                "-n",
                "-p",
                "${ImageWidth}x${ImageHeight} " + ppiTags(kind) + " $ProfileDescription",
                folder.toString()));
        assertThat(tags.lines())
                .hasSize(SOUND)
                .allSatisfy(line ->
                        assertThat(line).matches("(2400x3000|3000x2400) " + ppiValues(kind) + " sRGB IEC 61966-2-1"));

        String seen = Outside.python("""
                import sys, os, io
                from PIL import Image, ImageCms
                for name in sorted(os.listdir(sys.argv[1])):
                    im = Image.open(os.path.join(sys.argv[1], name)); im.load()
                    profile = ImageCms.ImageCmsProfile(io.BytesIO(im.info['icc_profile']))
                    dpi = tuple(round(float(v), 1) for v in im.info['dpi'])
                    print(im.format, sorted(im.size), im.mode, dpi, ImageCms.getProfileDescription(profile).strip())
                """, folder);
        assertThat(seen.lines())
                .hasSize(SOUND)
                .allSatisfy(line -> assertThat(line)
                        .isEqualTo(pillowFormat + " [2400, 3000] RGB (300.0, 300.0) sRGB IEC 61966-2-1"));
    }

    private static String ppiTags(String kind) {
        return switch (kind) {
            case "jpeg" -> "$JFIF:XResolution $JFIF:YResolution $IFD0:XResolution $IFD0:YResolution";
            case "png" -> "$PixelsPerUnitX $PixelsPerUnitY $PixelUnits";
            default -> "$IFD0:XResolution $IFD0:YResolution $IFD0:ResolutionUnit";
        };
    }

    private static String ppiValues(String kind) {
        return switch (kind) {
            case "jpeg" -> "300 300 300 300";
            case "png" -> "11811 11811 1";
            default -> "300 300 2";
        };
    }
}
