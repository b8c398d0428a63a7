package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** A folder of the server becomes a job, is delivered beside its originals, and another prints what is dropped into it. */
@InBrowser
class ShopFloorTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Path root = RunningServer.get().root();

    /** Other tests of the same server find neither. */
    @AfterEach
    void leaveNothingBehind() {
        api.get("/hot-folders")
                .body()
                .forEach(
                        folder -> api.delete("/hot-folders/" + folder.path("id").asString()));
        api.get("/saved-tickets")
                .body()
                .forEach(ticket ->
                        api.delete("/saved-tickets/" + ticket.path("id").asString()));
    }

    private void press(String words) {
        browser.shown(By.xpath("//button[normalize-space()='" + words + "']")).click();
    }

    private void choose(String words) {
        browser.shown(By.xpath("//button[contains(@class,'folder-row')][.//strong[text()='" + words + "']]"))
                .click();
    }

    @Test
    void aFolderIsOpenedWhereItLiesAndPrintedBesideItsOriginals() throws IOException {
        Path week = Files.createDirectories(root.resolve("Week 48"));
        for (int i = 0; i < 3; i++) {
            Files.write(week.resolve("dune" + i + ".jpg"), TestPictures.drawn("jpg", 400 + i, 300));
        }
        browser.open(address + "/");
        press("Or open a folder that lies on the server");
        choose(RunningServer.ROOT);
        choose("Week 48");
        press("Make a job of “Week 48”");
        browser.see(".pile", "dune2.jpg");

        browser.find(".pile-foot .phrase").click();
        browser.shown(By.xpath("//label[contains(.,'the originals’ own folder')]"))
                .click();
        browser.see(".pile-foot", "in the originals’ own folder");
        press("Run 3 pieces");
        Await.until(
                "the first delivery",
                () -> Files.exists(week.resolve("prints-8x10/dune2_8x10in.jpg")),
                Boolean::booleanValue);

        // Somebody changes one and adds another: the pile tells both, and takes them when it is asked to.
        Files.write(week.resolve("dune0.jpg"), TestPictures.drawn("jpg", 500, 300));
        Files.write(week.resolve("late.jpg"), TestPictures.drawn("jpg", 510, 300));
        browser.open(browser.address().replaceAll("/run/.*", "/pile"));
        browser.see(".folder-news", "1 file is not in the job: late.jpg.");
        browser.see(".pile", "file changed: not printed");
        press("Take the changed file as it is now");
        browser.see(".pile", "late.jpg");
        press("Run 4 pieces");
        Await.until(
                "the second delivery",
                () -> Files.exists(week.resolve("prints-8x10-2/late_8x10in.jpg")),
                Boolean::booleanValue);
    }

    @Test
    void aHotFolderPrintsWhatIsDroppedIntoIt() throws IOException {
        Path in = Files.createDirectories(root.resolve("Front desk"));
        String job = api.newJob("for a ticket");
        api.post(
                "/saved-tickets",
                Map.of("name", "Desk prints", "document", api.firstTicket(job).path("document")));
        browser.open(address + "/hot-folders");
        press("Add a hot folder");
        press("Choose");
        choose(RunningServer.ROOT);
        choose("Front desk");
        press("Take “Front desk”");
        browser.find("input[aria-label='Saved ticket'], .ant-select[aria-label='Saved ticket'] input, .ant-select")
                .click();
        browser.shown(By.xpath("//*[contains(@class,'ant-select-item-option')][.//*[text()='Desk prints']]"))
                .click();
        press("Add");
        browser.see(".hot-folder", "What is dropped into pictures / Front desk");

        Files.write(in.resolve("kite.jpg"), TestPictures.drawn("jpg", 400, 300));
        Files.write(in.resolve("torn.jpg"), TestPictures.cutShort(TestPictures.drawn("jpg", 600, 400)));
        browser.see(".hot-folder", "now done/kite.jpg");
        browser.see(".hot-folder", "torn.jpg is cut short");
        assertThat(in.resolve("failed/torn.jpg.txt")).content().contains("torn.jpg is cut short");
        browser.shown(By.linkText("its delivery")).click();
        browser.see(".delivery", "kite_8x10in.jpg");
    }
}
