package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** What paper decided for on a trial strip is tried on the proof and used on the ticket. */
@InBrowser
class TrialStripTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @Test
    void theChosenStrengthIsTriedAndUsedOnTheTicket() {
        String job = api.newJob("Before a large print");
        api.upload(job, "dune.jpg", TestPictures.drawn("jpg", 900, 700));
        browser.open(address + "/jobs/" + job + "/proof");
        // The tools may still move until the part that is shown is known.
        browser.see(".figures", "contour");
        browser.shown(By.xpath("//button[normalize-space()='Trial strip']")).click();
        browser.shown(By.xpath("(//button[contains(@class,'trial-strip-crop')][contains(.,'strength 60')]//img)[1]"));
        assertThat(browser.all(".trial-strip-crop")).hasSizeGreaterThanOrEqualTo(5);

        browser.shown(By.xpath("(//button[contains(@class,'trial-strip-crop')][contains(.,'strength 60')])[1]"))
                .click();
        browser.shown(By.xpath("//button[normalize-space()='Use on the ticket']"))
                .click();
        int strength = Await.until(
                "the strength on the ticket",
                () -> api.firstTicket(job).at("/document/sharpening/strength").asInt(),
                found -> found > 0);
        assertThat(strength).isEqualTo(60);
    }
}
