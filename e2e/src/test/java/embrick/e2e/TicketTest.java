package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import tools.jackson.databind.node.ObjectNode;

/** A ticket changed phrase by phrase; what cannot work is explained; another window is never overwritten. */
@InBrowser
class TicketTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private String job;

    @BeforeEach
    void aJob() {
        job = api.newJob("Ticket journey");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 2600, 3600));
        browser.move(true);
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
    }

    /** Here popovers move in and out, as for most people; in all other tests they do not. */
    @AfterEach
    void stillAgain() {
        browser.move(false);
    }

    private void open(String label) {
        browser.find("button[aria-label^='" + label + "']").click();
    }

    private WebElement field(String label) {
        return browser.shown(By.xpath("//label[span[text()='" + label + "']]//input"));
    }

    private static void type(WebElement field, String text) {
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text, Keys.TAB);
    }

    @Test
    void lengthsAreTypedInAnyUnitAndTheSheetFollows() {
        open("Size");
        type(field("one side"), "210 mm");
        browser.see(".sentence", "8.27 × 10 in");
        type(field("the other"), "29,7 cm");
        browser.see(".drawing", "2480 px");
        browser.see(".drawing", "3508 px");
        ObjectNode kept = (ObjectNode) api.firstTicket(job).path("document");
        assertThat(kept.path("size").path("height").path("unit").asString()).isEqualTo("CM");
        type(field("the other"), "a yard");
        browser.see(".field-problem", "is no length");
    }

    /** A set for screens beside the prints: long side 2048, nothing enlarged. */
    @Test
    void aScreenSetIsSaidByItsLongSide() {
        open("Size");
        choose("keep proportions: limit a side, a box, megapixels or %");
        browser.see(".sentence", "a long side of 2048 px");
        type(field("pixels"), "900");
        browser.see(".sentence", "a long side of 900 px");
        browser.see(".drawing", "900 px");
        assertThat(browser.text(".sentence")).doesNotContain("turned to suit").doesNotContain("filled to the edge");
        type(field("pixels"), "5000");
        browser.see(".meaning", "kite keeps its 2600 × 3600 px");
        choose("enlarge pictures that have fewer pixels");
        browser.see(".sentence", "a long side of 5000 px, enlarged to it");
        browser.see(".drawing", "5000 px");
        browser.until(_ -> api.firstTicket(job)
                        .path("document")
                        .path("size")
                        .path("enlarging")
                        .asString()
                        .equals("ALLOWED")
                ? true
                : null);
    }

    @Test
    void whatCannotWorkIsExplainedAtItsPhraseAndNotKept() {
        open("Resolution");
        type(field("pixels per inch"), "0");
        browser.see(".phrase-problem", "expected 1 to 20000, got 0");
        assertThat(api.firstTicket(job).path("document").path("ppi").asInt()).isEqualTo(300);
        type(field("pixels per inch"), "240");
        browser.see(".drawing", "1920 px");
        assertThat(browser.all(".phrase-problem")).isEmpty();
    }

    /** Of another phrase both are kept; of the same one the other window's stays, and this one is told. */
    @Test
    void whatASecondWindowChangedIsNeverOverwritten() {
        ObjectNode ticket = api.firstTicket(job);
        ObjectNode document = (ObjectNode) ticket.path("document");
        document.put("ppi", 150);
        int version = ticket.path("version").asInt();
        api.put("/tickets/" + ticket.path("id").asString(), document, "If-Match", "\"" + version + "\"");

        open("Viewing distance");
        choose("on a wall, 1 m");
        browser.see(".sentence", "150 ppi");
        browser.until(_ -> "WALL".equals(kept("viewing")) ? true : null);
        assertThat(kept("ppi")).isEqualTo("150");

        document.put("viewing", "BANNER");
        // The page has changed it once in between.
        api.put("/tickets/" + ticket.path("id").asString(), document, "If-Match", "\"" + (version + 2) + "\"");
        choose("at a table, 60 cm");
        browser.see(".ant-message", "Another window changed the same part");
        browser.see(".sentence", "as a banner");
        assertThat(kept("viewing")).isEqualTo("BANNER");
    }

    private String kept(String part) {
        return api.firstTicket(job).path("document").path(part).asString();
    }

    private void choose(String words) {
        browser.shown(By.xpath("//span[text()='" + words + "']")).click();
    }
}
