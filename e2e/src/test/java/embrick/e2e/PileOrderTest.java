package embrick.e2e;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** Pictures put in order by hand, with the keys and by dragging; the bench follows, and Ctrl Z takes it back. */
@InBrowser
class PileOrderTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();
    private String job;

    private void requireOrder(String... stems) {
        browser.until(_ -> {
            List<String> found = new ArrayList<>();
            api.get("/jobs/" + job + "/originals")
                    .body()
                    .forEach(one -> found.add(one.path("path").asString().replace(".png", "")));
            return found.equals(List.of(stems)) ? true : null;
        });
        browser.until(_ -> {
            List<String> shown = new ArrayList<>();
            browser.all(".picture-name")
                    .forEach(name -> shown.add(name.getText().replace(".png", "")));
            return shown.equals(List.of(stems)) ? true : null;
        });
    }

    @Test
    void byKeysAndByDragging() {
        job = api.newJob("In order");
        for (String stem : List.of("a2", "a10", "B3")) {
            api.upload(job, stem + ".png", TestPictures.drawn("png", 300, 200 + stem.length()));
        }
        browser.open(address + "/jobs/" + job + "/pile");
        requireOrder("a2", "a10", "B3");

        browser.script("document.querySelector('[data-index=\"0\"]').focus()");
        browser.withControl(Keys.ARROW_RIGHT);
        requireOrder("a10", "a2", "B3");
        // The focus goes with the picture.
        browser.withControl(Keys.ARROW_RIGHT);
        requireOrder("a10", "B3", "a2");

        browser.dragOnto(browser.find("[data-index='2'] .picture-name"), browser.find("[data-index='0']"), -60);
        requireOrder("a2", "a10", "B3");

        browser.withControl("z");
        requireOrder("a10", "B3", "a2");
        browser.open(address + "/jobs/" + job + "/bench");
        browser.see(".column", "a10");
        browser.open(address + "/jobs/" + job + "/pile");
        requireOrder("a10", "B3", "a2");
        browser.withControl("z");
        browser.withControl("z");
        requireOrder("a2", "a10", "B3");
        browser.shown(By.cssSelector("button[aria-label='Redo']")).click();
        requireOrder("a10", "a2", "B3");
    }
}
