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
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** Prints at 300 ppi and a screen set, numbered, out of one run: two folders, traced both ways. */
@InBrowser
class PrintsAndScreenSetTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();

    private void choose(String item) {
        browser.shown(By.xpath("//*[@role='menuitem'][.='" + item + "']")).click();
    }

    @Test
    void oneRunMakesBoth() throws IOException {
        String job = api.newJob("Two sets");
        api.upload(job, "arrivals.jpg", TestPictures.drawn("jpg", 3000, 2000));
        api.upload(job, "box kite.jpg", TestPictures.drawn("jpg", 2000, 3000));
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        browser.button("+ another ticket").click();
        choose("a copy of this one");
        browser.until(_ -> api.get("/jobs/" + job + "/tickets").body().size() == 2 ? true : null);
        browser.see(".docket-on", "2");
        sayTheScreenSet();
        browser.see(".names-shown", "arrivals_2048px_001.jpg");
        browser.until(_ ->
                api.get("/jobs/" + job + "/tickets").body().get(1).toString().contains("2048") ? true : null);

        browser.button("Run 2 tickets at once").click();
        browser.until(_ -> browser.address().contains("/run/") ? true : null);
        String run = browser.address().substring(browser.address().lastIndexOf('/') + 1);
        JsonNode orders = api.finished(run).path("run").path("orders");
        requireBothSets(orders);
        browser.see(".run-walls", "2 of 2 checked");
        assertThat(browser.all(".run-walls .wall")).hasSize(2);

        browser.button("See the delivery").click();
        browser.see(".delivery-head", "4 checked files of 4");
        assertThat(browser.texts(".place code"))
                .map(place -> place.substring(place.indexOf("Two sets")))
                .containsExactly("Two sets/prints-8x10", "Two sets/pictures-2048px");
        browser.see(".delivery .ant-table", "box kite.jpg");
        browser.find("input[aria-label='Find by piece or by original']").sendKeys("box kite");
        browser.until(_ -> browser.all(".delivery a[href$='/file']").size() == 2 ? true : null);
    }

    private void sayTheScreenSet() {
        browser.shown(By.cssSelector(".phrase[aria-label^='Size']")).click();
        browser.shown(By.xpath("//span[text()='keep proportions: limit a side, a box, megapixels or %']"))
                .click();
        browser.see(".sentence", "a long side of 2048 px");
        browser.keys(Keys.ESCAPE);
        browser.find("button[aria-label='Add a name brick']").click();
        choose("a running number");
    }

    private void requireBothSets(JsonNode orders) throws IOException {
        assertThat(identified(orders.get(0)))
                .containsExactly(
                        "arrivals_8x10in.jpg 3000x2400 300 sRGB IEC 61966-2-1",
                        "box kite_8x10in.jpg 2400x3000 300 sRGB IEC 61966-2-1");
        assertThat(identified(orders.get(1)))
                .map(said -> said.substring(said.indexOf(".jpg ") + 5))
                .containsExactly("2048x1365 300 sRGB IEC 61966-2-1", "1365x2048 300 sRGB IEC 61966-2-1");
    }

    private static List<String> identified(JsonNode order) throws IOException {
        Path folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(order.path("folder").asString());
        try (Stream<Path> files = Files.list(folder)) {
            return files.sorted().map(Outside::identify).toList();
        }
    }
}
