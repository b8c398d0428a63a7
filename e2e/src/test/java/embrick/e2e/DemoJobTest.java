package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.demo.DrawPictures;
import embrick.demo.FillDemoJob;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.testing.Outside;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The demo job as it begins: every sound original at 8 × 10 in, 300 ppi, confirmed by exiftool and Pillow. With one picture of each
 * kind, or with all if all are asked for.
 */
@ExtendWith(RunningServer.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoJobTest {
    private static final boolean IS_WHOLE = Boolean.getBoolean("embrick.thorough");
    private static final int SOUND = IS_WHOLE ? 25 : 15;
    private static final int FRAMED = IS_WHOLE ? 9 : 6;
    /** Which are made in the other formats: wide, 16 bit in a wide RGB, from a video, sideways by its tag, see-through. */
    private static final List<String> IN_OTHER_FORMATS =
            List.of("arrivals.jpg", "slack-line.tif", "video-0412.png", "children.jpg", "kite-cutout.png");

    private static final Path PICTURES = Path.of("target/demo-pictures").toAbsolutePath();

    private final Api api = new Api(RunningServer.get().address());
    private String job;

    @BeforeAll
    void fill() throws Exception {
        draw();
        job = FillDemoJob.into(RunningServer.get().address(), PICTURES);
    }

    private static int draw() throws Exception {
        return IS_WHOLE ? DrawPictures.into(PICTURES) : DrawPictures.oneOfEachInto(PICTURES);
    }

    @Test
    void itOpensWithFramingsADeliveryAndBrokenFilesWithTheirReason() {
        JsonNode originals = api.get("/jobs/" + job + "/originals").body();
        assertThat(originals).hasSizeGreaterThanOrEqualTo(SOUND + 4);
        int sound = 0;
        for (JsonNode original : originals) {
            if (original.path("state").asString().equals("SOUND")) {
                sound++;
            } else {
                assertThat(original.path("problem").path("text").asString()).isNotBlank();
            }
        }
        assertThat(sound).isEqualTo(SOUND);
        assertThat(api.get("/jobs/" + job + "/framings?shape=4:5").body()).hasSize(FRAMED);
        JsonNode run = api.get("/jobs/" + job + "/runs").body().get(0);
        assertThat(run.path("state").asString()).isEqualTo("FINISHED");
        assertThat(run.path("counts").path("checked").asInt()).isEqualTo(SOUND);
        assertThat(run.path("counts").path("failed").asInt()).isEqualTo(2);
    }

    @Test
    void drawingIsTheSameOnEveryMachineAndDoneOnce() throws Exception {
        assertThat(draw()).isZero();
    }

    /** The delivery that the demo job has had from the start. */
    @Test
    void everySoundOriginalIsExactInItsFirstDelivery() {
        JsonNode run = api.get("/jobs/" + job + "/runs").body().get(0);
        assertExact(run, SOUND, "jpeg", "JPEG", 300);
    }

    /** In the other formats at other resolutions, whose marks are as exact; both out of one run. */
    @Test
    void originalsOfEachKindAreExactInOtherFormats() throws Exception {
        String some = api.newJob("Other formats");
        for (String path : IN_OTHER_FORMATS) {
            api.upload(some, path, Files.readAllBytes(PICTURES.resolve(path)));
        }
        String png = addedTicket(some, "png", 150);
        String tiff = addedTicket(some, "tiff", 120);
        String runId = api.post("/jobs/" + some + "/runs", Map.of("ticketIds", List.of(png, tiff)))
                .body()
                .path("id")
                .asString();
        JsonNode run = api.finished(runId).path("run");
        assertThat(run.path("counts").path("checked").asInt()).isEqualTo(2 * IN_OTHER_FORMATS.size());
        assertExact(run.path("orders").get(0), IN_OTHER_FORMATS.size(), "png", "PNG", 150);
        assertExact(run.path("orders").get(1), IN_OTHER_FORMATS.size(), "tiff", "TIFF", 120);
    }

    private String addedTicket(String job, String kind, int ppi) {
        ObjectNode document = (ObjectNode) api.firstTicket(job).path("document");
        ObjectNode file = document.putObject("file").put("kind", kind).put("depth", "EIGHT");
        if (kind.equals("tiff")) {
            file.put("packing", "PLAIN");
        }
        document.put("name", "Check " + kind);
        document.put("folder", "check-" + kind);
        document.put("ppi", ppi);
        // How long learned detail takes is not what is asked here.
        ((ObjectNode) document.path("resampling")).put("method", "LANCZOS3");
        return api.post("/jobs/" + job + "/tickets", document).body().path("id").asString();
    }

    /**
     * @param made a run of one order, or one order of a run
     * @param pieces how many of them
     */
    private static void assertExact(JsonNode made, int pieces, String kind, String pillowFormat, int ppi) {
        Path folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(made.path("folder").asString());
        int shorter = 8 * ppi;
        int longer = 10 * ppi;

        String tags = Outside.run(List.of(
                "exiftool",
                "-q",
                "-n",
                "-p",
                "${ImageWidth}x${ImageHeight} " + ppiTags(kind) + " $ProfileDescription",
                folder.toString()));
        String sizes = "(" + shorter + "x" + longer + "|" + longer + "x" + shorter + ")";
        assertThat(tags.lines())
                .hasSize(pieces)
                .allSatisfy(
                        line -> assertThat(line).matches(sizes + " " + ppiValues(kind, ppi) + " sRGB IEC 61966-2-1"));

        String seen = Outside.python("""
                import sys, os, io
                from PIL import Image, ImageCms
                for name in sorted(os.listdir(sys.argv[1])):
                    im = Image.open(os.path.join(sys.argv[1], name)); im.load()
                    profile = ImageCms.ImageCmsProfile(io.BytesIO(im.info['icc_profile']))
                    dpi = tuple(round(float(v), 1) for v in im.info['dpi'])
                    print(im.format, sorted(im.size), im.mode, dpi, ImageCms.getProfileDescription(profile).strip())
                """, folder);
        String exact = pillowFormat + " [" + shorter + ", " + longer + "] RGB (" + ppi + ".0, " + ppi
                + ".0) sRGB IEC 61966-2-1";
        assertThat(seen.lines())
                .hasSize(pieces)
                .allSatisfy(line -> assertThat(line).isEqualTo(exact));
    }

    private static String ppiTags(String kind) {
        return switch (kind) {
            case "jpeg" -> "$JFIF:XResolution $JFIF:YResolution $IFD0:XResolution $IFD0:YResolution";
            case "png" -> "$PixelsPerUnitX $PixelsPerUnitY $PixelUnits";
            default -> "$IFD0:XResolution $IFD0:YResolution $IFD0:ResolutionUnit";
        };
    }

    /** PNG marks whole pixels per metre. */
    private static String ppiValues(String kind, int ppi) {
        return switch (kind) {
            case "jpeg" -> ppi + " " + ppi + " " + ppi + " " + ppi;
            case "png" -> Math.round(ppi / 0.0254) + " " + Math.round(ppi / 0.0254) + " 1";
            default -> ppi + " " + ppi + " 2";
        };
    }
}
