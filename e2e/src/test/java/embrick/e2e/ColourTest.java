package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.testing.Outside;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** A paper's profile from its file to a piece that carries it, with its colours proofed on the way. */
@InBrowser
class ColourTest {
    private static final String PAPER = "Harbour rag, matt";

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @TempDir
    Path folder;

    /** The shipped rag under another name, as a maker would send his. */
    private static byte[] profile() {
        byte[] bytes = ShippedProfile.COTTON_RAG_RGB.bytes();
        String shipped = "Cotton rag, RGB, simulated";
        byte[] letters = String.format("%-" + shipped.length() + "s", PAPER).getBytes(StandardCharsets.US_ASCII);
        int at = new String(bytes, StandardCharsets.ISO_8859_1).indexOf(shipped);
        System.arraycopy(letters, 0, bytes, at, letters.length);
        return bytes;
    }

    /** Grey to the left, to the right a green that no rag has. */
    private static byte[] halves() throws IOException {
        BufferedImage picture = new BufferedImage(3000, 2400, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 3000; x++) {
            for (int y = 0; y < 2400; y++) {
                picture.setRGB(x, y, (x < 1500 ? Color.GRAY : Color.GREEN).getRGB());
            }
        }
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpg", jpeg);
        return jpeg.toByteArray();
    }

    private void putOnTheShelf(Path file) {
        browser.open(address + "/profiles");
        browser.see(".shelf-list", "Lustre paper, RGB");
        browser.find("input[aria-label='Profile files']").sendKeys(file.toString());
    }

    @Test
    void fromTheProfilesFileToAPieceThatCarriesIt() throws IOException {
        Path broken = Files.write(folder.resolve("broken.icc"), java.util.Arrays.copyOf(profile(), 9000));
        Path whole = Files.write(folder.resolve("harbour.icc"), profile());
        putOnTheShelf(broken);
        browser.see(".shelf-refused", "“broken.icc” is cut short: 9000 of");
        putOnTheShelf(whole);
        browser.see(".shelf-described", PAPER);
        browser.see(".shelf-described", "Cotton rag, RGB");
        browser.find(".gamut polygon");

        String job = api.newJob("Colour journey");
        api.upload(job, "halves.jpg", halves());
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find("button[aria-label^='Colour']").click();
        browser.shown(By.cssSelector("input[aria-label='Profile to convert to']"))
                .sendKeys("Harbour", Keys.ENTER);
        browser.see(".sentence", PAPER);
        browser.shown(By.xpath("//label[contains(., 'all colours move a little')]"))
                .click();
        browser.see(".sentence", PAPER + ", perceptual");
        browser.shown(By.xpath("//label[contains(., 'printable colours stay exact')]"))
                .click();
        browser.until(_ -> !browser.text(".sentence").contains("perceptual") ? true : null);
        browser.find("button[aria-label^='Colour']").sendKeys(Keys.ESCAPE);

        proofColours(job);
        runAndCheck(job);
    }

    private void proofColours(String job) {
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".figures", "out of gamut");
        // Half of the picture is green, and a column or two are between.
        assertThat(browser.text(".figures")).containsPattern("(49\\.[5-9]|50(\\.[0-5])?) %");
        browser.shown(By.xpath("//label[contains(., 'whole')]")).click();
        browser.until(_ -> browser.text(".proof-busy").isEmpty() ? true : null);
        browser.keys("x");
        browser.keys("m");
        browser.keys("p");
        browser.until(_ -> browser.all("[aria-label='How it is shown'] .tool[aria-pressed=true]")
                                .size()
                        == 2
                ? true
                : null);
        browser.until(_ -> browser.text(".proof-busy").isEmpty() ? true : null);
        // Stripes stand on the right half of the marks, none on the left; paper white is not the screen's.
        browser.until(_ -> Boolean.TRUE.equals(browser.script("""
                const marks = [...document.querySelectorAll('.proof-layer img')].find((one) => one.alt === '');
                if (!marks || !marks.complete) return false;
                const canvas = document.createElement('canvas');
                canvas.width = marks.naturalWidth;
                canvas.height = marks.naturalHeight;
                const on = canvas.getContext('2d');
                on.drawImage(marks, 0, 0);
                const seen = (x) => on.getImageData(Math.round(x * canvas.width), 10, 12, 12).data
                  .filter((_, i) => i % 4 === 3).some((alpha) => alpha > 0);
                return !seen(0.2) && seen(0.8);
                """)) ? true : null);
        browser.button("Intents side by side").click();
        browser.see(".intents", "perceptual");
        browser.until(_ -> browser.text(".intents").split("mean ΔE00").length == 5 ? true : null);
    }

    private void runAndCheck(String job) throws IOException {
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.button("Run 1 piece now").click();
        browser.until(_ -> browser.address().contains("/run/") ? true : null);
        String runId = browser.address().substring(browser.address().lastIndexOf('/') + 1);
        JsonNode piece = api.finished(runId).path("pieces").get(0);
        assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
        Path file = folder.resolve("halves.jpg");
        Files.write(file, api.download("/pieces/" + piece.path("id").asString() + "/file"));
        String told = Outside.python("""
                from PIL import Image
                import hashlib, sys
                image = Image.open(sys.argv[1])
                print(hashlib.sha256(image.info['icc_profile']).hexdigest(), image.mode)
                """, file);
        assertThat(told.trim()).isEqualTo(ProfileShelf.digestOf(profile()) + " RGB");
    }
}
