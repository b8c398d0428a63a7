package embrick.e2e;

import embrick.server.support.RunningServer;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** The desk held against values of common practice, no source: pixels = inches × ppi, an inch being 25.4 mm. */
@InBrowser
class DeskPageTest {
    private final Browser browser = Browser.get();

    private void type(String label, String value) {
        browser.shown(By.xpath("//label[span[text()='" + label + "']]//input"))
                .sendKeys(Keys.chord(Keys.CONTROL, "a"), value, Keys.ENTER);
    }

    private void requireValue(String label, String value) {
        browser.until(_ -> value.equals(browser.shown(By.xpath("//label[span[text()='" + label + "']]//input"))
                        .getDomProperty("value"))
                ? true
                : null);
    }

    private void hold(String what) {
        browser.shown(By.xpath("//label[.='" + what + "']")).click();
    }

    @Test
    void theThirdFollowsFromTwo() {
        browser.open(RunningServer.get().address() + "/desk");
        type("pixels across", "2100");
        requireValue("across, px", "2100");
        type("pixels down", "1500");
        requireValue("down, px", "1500");

        // With the pixels held: at 100 ppi 53.34 × 38.1 cm, and not a pixel is changed.
        type("pixels per inch", "100");
        requireValue("wide", "53.34 cm");
        requireValue("high", "38.1 cm");
        browser.see(".desk-sentence", "The pixels stay as they are");

        // With the ppi held: 7 in at 100 ppi are 700 × 500 px.
        hold("ppi");
        type("wide", "7 in");
        requireValue("across, px", "700");
        requireValue("down, px", "500");
        browser.see(".desk-sentence", "New pixels are made");

        // With the size held: 300 ppi on the same 7 in are 2100 px again.
        hold("size in print");
        type("pixels per inch", "300");
        requireValue("across, px", "2100");
        requireValue("down, px", "1500");
    }
}
