package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** A ticket is said once, saved, and used in the next job: with its copies, its names and what its files say. */
@InBrowser
@ExtendWith(RunningServer.class)
class SavedTicketsTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();

    @TempDir
    Path folder;

    private byte[] signedPicture() throws IOException {
        Path picture = Files.write(folder.resolve("DSC_0481.jpg"), TestPictures.drawn("jpg", 1200, 960));
        Outside.run(List.of(
                "exiftool",
                "-q",
                "-overwrite_original",
                "-Artist=Ada",
                "-GPSLatitude=54",
                "-GPSLatitudeRef=N",
                picture.toString()));
        return Files.readAllBytes(picture);
    }

    @Test
    void aTicketOfOneJobMakesThePiecesOfAnother() throws IOException {
        String first = api.newJob("First job");
        browser.open(address + "/jobs/" + first + "/ticket");
        browser.find("button[aria-label^='Copies']").click();
        browser.find("input[role=spinbutton]").sendKeys(Keys.chord(Keys.CONTROL, "a"), "3", Keys.TAB);
        browser.see(".sentence", "3 copies each");
        browser.keys(Keys.ESCAPE);
        browser.find("button[aria-label^='Letters']").click();
        browser.script(
                "[...document.querySelectorAll('label')].find(l => l.textContent === 'in capital letters').click()");
        browser.see(".sentence", "in capital letters");
        browser.until(_ -> api.firstTicket(first).toString().contains("UPPER") ? true : null);
        browser.keys(Keys.ESCAPE);
        browser.button("Save for other jobs").click();
        browser.shown(By.cssSelector(".ant-popover .ant-btn-primary")).click();
        browser.until(_ -> api.get("/saved-tickets").body().size() == 1 ? true : null);

        String second = api.newJob("Second job");
        api.upload(second, "DSC_0481.jpg", signedPicture());
        browser.open(address + "/jobs/" + second + "/ticket");
        browser.button("+ another ticket").click();
        browser.script(
                "[...document.querySelectorAll('[role=menuitem]')].find(i => i.textContent.startsWith('saved')).click()");
        browser.see(".sentence", "3 copies each");
        browser.see(".names-shown", "DSC_0481_8X10IN.jpg");
        browser.button("Run 1 piece now").click();
        browser.until(_ -> browser.address().contains("/run/") ? true : null);
        JsonNode run =
                api.finished(browser.address().substring(browser.address().lastIndexOf('/') + 1));
        JsonNode piece = run.path("pieces").get(0);
        assertThat(piece.path("name").asString()).isEqualTo("DSC_0481_8X10IN.jpg");
        assertThat(piece.path("copies").asInt()).isEqualTo(3);
        Path file = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString())
                .resolve("DSC_0481_8X10IN.jpg");
        String said = Outside.run(List.of("exiftool", "-s", file.toString()));
        assertThat(said)
                .containsPattern("Creator +: Ada")
                .containsPattern("By-line +: Ada")
                .doesNotContain("GPS");

        browser.open(address + "/saved-tickets");
        browser.see(".kept-one", "Prints 8 × 10");
        browser.button("Delete").click();
        browser.find(".ant-popconfirm .ant-btn-primary").click();
        browser.see(".kept", "No ticket is saved yet");
    }
}
