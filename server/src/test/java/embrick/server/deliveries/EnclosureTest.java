package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The contact sheet and the certificate of a delivery, whatever its pieces are. */
@ExtendWith(RunningServer.class)
class EnclosureTest {
    private final Api api = new Api(RunningServer.get().address());

    private JsonNode delivered(String name, String file) {
        String job = api.newJob(name);
        api.upload(job, "pier.jpg", TestPictures.drawn("jpg", 600, 400));
        api.upload(job, "sub/kite.jpg", TestPictures.drawn("jpg", 500, 500));
        api.changeFirstTicket(job, document -> {
            ObjectNode kind = document.putObject("file").put("kind", file);
            switch (file) {
                case "jpeg" -> kind.put("quality", 90);
                case "pdf" -> {
                    kind.putObject("pixels").put("kind", "jpeg").put("quality", 90);
                    kind.put("marks", "NONE");
                }
                case "tiff" -> kind.put("packing", "PLAIN").put("depth", "EIGHT");
                default -> kind.put("depth", "EIGHT");
            }
            document.put("ppi", 60);
        });
        return api.finished(api.startRun(job)).path("run");
    }

    private PDDocument sheet(JsonNode run, String query) throws IOException {
        return Loader.loadPDF(api.download("/runs/" + run.path("id").asString() + "/contact-sheet.pdf" + query));
    }

    /** Share of the page that is neither white nor grey: the pictures. */
    private static double coloured(PDDocument document) throws IOException {
        BufferedImage page = new PDFRenderer(document).renderImage(0, 1);
        int count = 0;
        for (int i = 0; i < page.getWidth() * page.getHeight(); i++) {
            int rgb = page.getRGB(i % page.getWidth(), i / page.getWidth());
            count += Math.abs((rgb >> 16 & 0xFF) - (rgb & 0xFF)) > 30 ? 1 : 0;
        }
        return (double) count / page.getWidth() / page.getHeight();
    }

    /** 60 ppi where the hand asks for 300 is poor. */
    @ParameterizedTest
    @ValueSource(strings = {"jpeg", "png", "tiff", "pdf"})
    void eachPieceStandsThereWithItsNumberNameSizeAndCheck(String file) throws IOException {
        JsonNode run = delivered("Contact " + file, file);

        try (PDDocument document = sheet(run, "")) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(document))
                    .contains("1  pier_8x10in.", "2  kite_8x10in.", "10 × 8 in, 600 × 480 px, 60 ppi", "checked, poor");
            assertThat(coloured(document)).isGreaterThan(0.01);
        }
    }

    @Test
    void theCertificateSaysWhatWasAskedAndFoundAndHoldsItsOwnDigest() {
        JsonNode run = delivered("Certified", "jpeg");

        JsonNode certificate = api.get("/runs/" + run.path("id").asString() + "/certificate.json")
                .body();

        JsonNode content = certificate.path("content");
        assertThat(content.path("asked").get(0).path("ticket").path("ppi").asInt())
                .isEqualTo(60);
        JsonNode piece = content.path("pieces").get(0);
        assertThat(piece.path("width_px").asInt()).isEqualTo(600);
        assertThat(piece.path("check").asString()).isEqualTo("checked");
        String file = "/pieces/"
                + api.get("/runs/" + run.path("id").asString())
                        .body()
                        .path("pieces")
                        .get(0)
                        .path("id")
                        .asString()
                + "/file";
        assertThat(piece.path("sha256").asString()).isEqualTo(Sha256.of(api.download(file)));
        byte[] written = new JsonMapper().writeValueAsBytes(content);
        assertThat(certificate.path("sha256").asString()).isEqualTo(Sha256.of(written));
    }

    @Test
    void aPieceThatIsMissingIsTold() throws IOException {
        JsonNode run = delivered("Contact missing", "jpeg");
        Path folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("folder").asString());
        Files.delete(folder.resolve("pier_8x10in.jpg"));

        try (PDDocument document = sheet(run, "?paper=LETTER")) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(612);
            assertThat(new PDFTextStripper().getText(document)).contains("missing in its folder", "2  kite_8x10in.jpg");
        }
    }
}
