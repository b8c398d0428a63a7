package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** Every view held against WCAG 2.2 A and AA, as far as axe-core (Deque, MPL 2.0) can tell. */
@InBrowser
class AccessTest {
    private static final int LOOKS = 4;

    private static final String FINDINGS = """
            return axe.run(document, {resultTypes: ['violations'], runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})
              .then(({violations}) => violations.map(({id, nodes}) =>
                id + ': ' + nodes.slice(0, 3).map(node => node.html.slice(0, 160) + ' ' + node.failureSummary).join(' | ')));
            """;

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final String axe;
    private final List<String> found = new ArrayList<>();

    AccessTest() throws IOException {
        axe = Files.readString(Path.of("../ui/node_modules/axe-core/axe.min.js"));
    }

    /** What moves is half transparent for a while: a finding counts if it stays. */
    private void look(String view) {
        if (!(browser.script("return document.querySelectorAll('h1').length") instanceof Long count && count == 1)) {
            found.add(view + ": a page has one heading of the first level, this one " + browser.texts("h1"));
        }
        browser.script(axe);
        List<?> findings = List.of();
        for (int look = 0; look < LOOKS; look++) {
            browser.until(_ ->
                    (Boolean) browser.script("return document.getAnimations().every(a => a.playState !== 'running')")
                            ? true
                            : null);
            findings = (List<?>) browser.script(FINDINGS);
            if (findings.isEmpty()) {
                return;
            }
            browser.script("return new Promise(done => setTimeout(done, 700))");
        }
        findings.forEach(finding -> found.add(view + ": " + finding));
    }

    @Test
    void noViewHasFindings() {
        String job = api.newJob("Access");
        for (String name : List.of("a.jpg", "b.jpg", "c.jpg")) {
            api.upload(job, name, TestPictures.drawn("jpg", 1800, name.equals("b.jpg") ? 2400 : 1200));
        }
        api.upload(job, "cut.jpg", TestPictures.cutShort(TestPictures.drawn("jpg", 600, 400)));
        String run = api.startRun(job);
        api.finished(run);
        String page = address + "/jobs/" + job;

        browser.open(address + "/");
        browser.find(".job-strip img");
        look("jobs");
        browser.open(page + "/pile");
        browser.find(".picture img");
        look("pile");
        browser.script(
                "[...document.querySelectorAll('.ant-segmented-item')].find(e => e.textContent === 'Table').click()");
        browser.find(".ant-table-row");
        look("pile as a table");
        browser.open(address + "/profiles");
        browser.find(".gamut polygon");
        look("profiles");
        browser.open(page + "/pile");
        browser.find(".picture img");
        browser.button("Missing profiles").click();
        browser.find(".say-profile");
        look("which profile pictures have");
        browser.open(page + "/proof");
        browser.see(".figures", "the sheet");
        browser.find(".proof-map image");
        browser.button("Intents side by side").click();
        browser.until(_ -> browser.all(".intent img").size() == 4 ? true : null);
        look("intents");
        browser.open(page + "/ticket");
        browser.find(".drawing image");
        browser.find("button[aria-label^='Colour']").click();
        browser.find(".phrase-form");
        look("colour of the ticket");
        browser.open(page + "/ticket");
        browser.find(".drawing image");
        look("ticket");
        browser.find(".phrase").click();
        browser.find(".phrase-form");
        look("a phrase of the ticket");
        browser.open(page + "/bench");
        browser.find(".stage-picture");
        browser.see(".figures", "1800");
        look("bench");
        browser.keys("e");
        browser.find(".stage-drawing");
        browser.keys(Keys.TAB);
        browser.find(".level-end");
        look("bench with a level line");
        browser.keys(Keys.ESCAPE);
        browser.keys("c");
        browser.find(".carry-row");
        look("carrying");
        browser.keys(Keys.ESCAPE);
        browser.open(page + "/bench");
        browser.find(".stage-picture");
        browser.keys("?");
        browser.find(".keys");
        look("key sheet");
        browser.open(page + "/proof");
        browser.until(_ -> browser.all(".proof-layer img").size() == 2 ? true : null);
        look("proof");
        browser.open(page + "/run/" + run);
        browser.find(".laid-checked");
        look("run");
        browser.open(page + "/delivery");
        browser.find(".ant-table-row");
        look("delivery");
        browser.open(page + "/layout/" + run);
        browser.find(".layout-piece");
        look("layout");
        browser.shown(By.xpath("//button[normalize-space()='Print on the roll']"))
                .click();
        browser.find(".layout-print p");
        look("layout, about to be printed");
        browser.shown(By.xpath("//button[normalize-space()='Send it to the printer']"))
                .click();
        browser.find(".roll-job");
        look("roll");
        browser.open(page + "/counter/" + run);
        browser.find(".counter-new");
        look("counter");
        order(run);
        browser.open(page + "/counter/" + run);
        browser.see(".counter-slip", "refused");
        look("an order");
        browser.open(page + "/proof");
        browser.shown(By.xpath("//button[normalize-space()='Trial strip']")).click();
        browser.find(".trial-strip-crop img");
        look("trial strip");
        browser.open(address + "/floor");
        browser.find(".worker");
        look("workers");
        assertThat(found).isEmpty();
    }

    /** As a product that the counter refuses these pieces for. */
    private void order(String run) {
        Map<String, Object> wish = Map.of("products", List.of(), "leftOut", List.of());
        JsonNode checked =
                api.post("/runs/" + run + "/counter-orders/check", wish).body();
        Map<String, Object> unfit = Map.of(
                "products",
                List.of(Map.of("orderId", checked.at("/tickets/0/orderId").asString(), "product", "exhibition-16x20")),
                "leftOut",
                List.of());
        api.post(
                "/runs/" + run + "/counter-orders",
                Map.of(
                        "wish",
                        unfit,
                        "pieces",
                        List.of(checked.at("/pieces/0/pieceId").asString())),
                "Idempotency-Key",
                "unfit");
    }
}
