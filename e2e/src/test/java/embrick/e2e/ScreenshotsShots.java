package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.demo.FillDemoJob;
import embrick.server.support.Api;
import embrick.server.support.Roll;
import embrick.server.support.RunningServer;
import embrick.testing.Await;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** No test: takes the pictures of docs/screenshots from the demo job as it begins. {@code ./embrick shots} runs it. */
@ExtendWith(RunningServer.class)
class ScreenshotsShots {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Path into = Path.of(System.getProperty("embrick.shots"));

    @Test
    void take() throws Exception {
        String job = FillDemoJob.into(address, Path.of(System.getProperty("embrick.pictures")));
        Files.createDirectories(into);
        String page = address + "/jobs/" + job;

        browser.open(address + "/");
        browser.find(".job-strip img");
        shot("jobs");

        browser.open(page + "/pile");
        browser.find(".picture img");
        shot("pile");

        browser.open(page + "/ticket");
        browser.find(".drawing image");
        shot("ticket");
        String sponsors =
                api.get("/jobs/" + job + "/tickets").body().get(1).path("id").asString();
        browser.open(page + "/ticket/" + sponsors);
        browser.find(".drawing image");
        browser.script(
                "[...document.querySelectorAll('.phrase')].find(e => e.textContent.includes('sharpened')).click()");
        browser.find(".phrase-form");
        shot("ticket-sharpening");

        browser.open(page + "/bench?at=" + api.original(job, "day-two/crosswind.jpg"));
        browser.find(".stage-picture");
        browser.see(".figures", "3600");
        browser.keys("g");
        shot("bench");
        browser.open(page + "/bench?at=" + api.original(job, "arrivals.jpg"));
        browser.find(".stage-picture");
        browser.keys("c");
        browser.find(".carry-row");
        browser.script("document.querySelector('.carry-quick button').click()");
        browser.see(".carry-row", "→");
        shot("carry");

        shotEdges(job, page);
        shotColours();
        shotDesk(job, page);
        shotHotFolder(job);

        browser.open(page + "/ticket/" + api.firstTicket(job).path("id").asString());
        browser.find(".drawing image");
        browser.open(page + "/proof?at=" + api.original(job, "arrivals.jpg"));
        browser.until(_ -> browser.all(".proof-layer img").size() == 2 ? true : null);
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT), Keys.chord(Keys.SHIFT, Keys.ARROW_UP));
        browser.until(_ -> browser.text(".proof-busy").isEmpty() ? true : null);
        shot("proof");

        String run = api.post("/tickets/" + sponsors + "/runs", Map.of())
                .body()
                .path("id")
                .asString();
        browser.open(page + "/run/" + run);
        browser.until(_ -> browser.all(".laid-checked").size() >= 13 ? true : null);
        shot("run");
        api.finished(run);
        browser.open(page + "/delivery");
        browser.find(".ant-table-row");
        shot("delivery");
        shotLayout(job, page);
        shotOutside(job, page);
        shotWorkers(job);
    }

    private void shotEdges(String job, String page) throws Exception {
        String canvases =
                api.get("/jobs/" + job + "/tickets").body().get(2).path("id").asString();
        browser.open(page + "/ticket/" + canvases);
        browser.find(".drawing image[href^='blob:']");
        browser.find("button[aria-label^='Edges']").click();
        browser.see(".edges-total", "becomes");
        shot("ticket-edges");
        browser.open(page + "/bench?at=" + api.original(job, "arrivals.jpg"));
        browser.find(".stage-made");
        browser.find(".near-not, .near-clear");
        shot("bench-canvas");
    }

    private void shotColours() throws Exception {
        browser.open(address + "/profiles");
        browser.find(".shelf-item");
        browser.script(
                "[...document.querySelectorAll('.shelf-item')].find(e => e.textContent.startsWith('Lustre paper, RGB')).click()");
        browser.until(_ -> browser.all(".gamut polygon").size() >= 9 ? true : null);
        shot("profiles");
    }

    private void shotDesk(String job, String page) throws Exception {
        api.get("/jobs/" + job + "/tickets").body().forEach(ticket -> {
            ObjectNode size = ((ObjectNode) ticket.path("document")).deepCopy();
            size.retain(
                    "unit",
                    "size",
                    "turn",
                    "fit",
                    "edges",
                    "ppi",
                    "viewing",
                    "sharpening",
                    "colour",
                    "rounding",
                    "file");
            String name = ticket.path("document").path("name").asString();
            Api.Answer kept = api.post(
                    "/kept",
                    Map.of("name", name, "document", size.put("kind", "size").put("schemaVersion", 1)));
            assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
        });
        browser.open(address + "/desk");
        browser.see(".desk-part", "real");
        shot("desk");
        browser.open(page + "/pile");
        browser.find(".picture");
        browser.button("Products").click();
        browser.see(".product", "can serve");
        shot("products");
    }

    private void shotHotFolder(String job) throws Exception {
        Path counter = Files.createDirectories(RunningServer.get().root().resolve("Counter"));
        for (String name : List.of("pier-download.jpg", "video-0412.png", "shot-list.jpg")) {
            Files.copy(Path.of(System.getProperty("embrick.pictures"), name), counter.resolve(name));
        }
        String ticket = api.post(
                        "/saved-tickets",
                        Map.of(
                                "name",
                                "Prints at the counter",
                                "document",
                                api.firstTicket(job).path("document")))
                .body()
                .path("id")
                .asString();
        Map<String, Object> settings = Map.of(
                "name", "Counter", "savedTicketId", ticket, "target", Map.of("kind", "DELIVERIES"), "isOn", true);
        api.post("/hot-folders", Map.of("root", RunningServer.ROOT, "path", "Counter", "settings", settings));
        Await.until(
                "two printed files and a failed one",
                () -> api.get("/hot-folders").body().path(0).path("counts"),
                counts -> counts.path("printed").asInt() == 2
                        && counts.path("failed").asInt() == 1);
        browser.open(address + "/hot-folders");
        browser.see(".hot-folder", "Leave it out of the folder");
        shot("hot-folders");
    }

    private void shotLayout(String job, String page) throws Exception {
        List<JsonNode> runs =
                api.get("/jobs/" + job + "/runs").body().valueStream().toList();
        browser.open(page + "/layout/" + runs.getLast().path("id").asString());
        browser.find(".layout-piece image");
        shot("layout");
    }

    /** A delivery of prints: some refused, then all accepted, then on the roll. */
    private void shotOutside(String job, String page) throws Exception {
        String run = api.startRun(job);
        api.finished(run);
        order(run, "print-8x10", 6);
        order(run, "exhibition-16x20", 2);
        browser.open(page + "/counter/" + run);
        browser.see(".counter-slip", "waits for you");
        browser.see(".counter", "ready");
        shot("counter");

        Roll.get().setSpeed(60);
        browser.open(page + "/layout/" + run);
        browser.find(".layout-piece image");
        press("Print on the roll");
        press("Send it to the printer");
        browser.see(".roll-job", "8 of 25");
        shot("roll");
    }

    private void order(String run, String product, int pieces) {
        JsonNode check = api.post(
                        "/runs/" + run + "/counter-orders/check", Map.of("products", List.of(), "leftOut", List.of()))
                .body();
        Map<String, Object> wish = Map.of(
                "products",
                List.of(Map.of("orderId", check.at("/tickets/0/orderId").asString(), "product", product)),
                "leftOut",
                List.of());
        List<String> ids = check.path("pieces")
                .valueStream()
                .limit(pieces)
                .map(piece -> piece.path("pieceId").asString())
                .toList();
        api.post("/runs/" + run + "/counter-orders", Map.of("wish", wish, "pieces", ids), "Idempotency-Key", product);
    }

    private void press(String button) {
        browser.shown(By.xpath("//button[normalize-space()='" + button + "']")).click();
    }

    /** While a run is at work: the last one, for it goes on when the picture has been taken. */
    private void shotWorkers(String job) throws Exception {
        api.post("/jobs/" + job + "/runs", Map.of());
        browser.open(address + "/floor");
        browser.find(".worker-piece progress[value]:not([value='0'])");
        shot("workers");
    }

    /** Waits for pictures and motion to settle, then takes one. */
    @SuppressWarnings("ThreadSleep")
    private void shot(String name) throws Exception {
        browser.until(
                _ -> (Boolean) browser.script("return [...document.images].every(i => i.complete)") ? true : null);
        Thread.sleep(700);
        Files.write(into.resolve(name + ".png"), browser.picture());
    }
}
