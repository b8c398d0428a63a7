package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Counter;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** A delivery is ordered at the counter: refused by a rule, mended on the ticket, sent over a line that breaks, accepted. */
@InBrowser
class AtTheCounterTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Counter counter = Counter.get();

    @AfterEach
    void aGoodDayAgain() {
        counter.behave(Map.of());
    }

    @Test
    void anOrderIsRefusedMendedAndAcceptedOverALineThatBreaks() {
        String job = api.newJob("Refused and mended");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 400, 300));
        api.changeFirstTicket(job, document -> document.put("ppi", 100));
        String run = api.startRun(job);
        api.finished(run);

        browser.open(address + "/jobs/" + job + "/delivery/" + run);
        press("Order at the counter");
        browser.see(".counter-refused", "Resolution: asked for 200 to 400 ppi; this piece has 100 ppi.");
        browser.shown(By.xpath("//label[contains(.,'Send them all the same')]")).click();
        press("Order 1 piece for 3.20 Saltmere shillings");
        browser.see(".counter-slip", "waits for you: some pieces are refused");

        // The way to mend it opens the very phrase.
        browser.shown(By.linkText("Change “Resolution” on the ticket")).click();
        browser.see(".ant-popover", "Resolution");
        var ppi = browser.find(".ant-popover input");
        ppi.sendKeys(Keys.chord(Keys.CONTROL, "a"), "300", Keys.ENTER);
        browser.until(_ -> api.firstTicket(job).at("/document/ppi").asInt() == 300 ? true : null);
        api.finished(api.startRun(job));

        counter.behave(Map.of("cutAfterBytes", 60_000, "cuts", 2));
        browser.open(address + "/jobs/" + job + "/counter/" + run);
        press("Send the newest made of it");
        browser.see(".counter-slip [role=status]", "ready");
        browser.see(".counter-slip", "accepted");
        long given = 0;
        for (var order : counter.orders()) {
            given += order.path("reference").asString().startsWith("Refused and mended") ? 1 : 0;
        }
        assertThat(given).isEqualTo(1);
    }

    private void press(String button) {
        browser.shown(By.xpath("//button[normalize-space()='" + button + "']")).click();
    }
}
