package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** The bench in a real browser: what a drag touches, what a line levels, what undo remembers. */
@InBrowser
class BenchTest {
    /** Watches what changes under the stage. */
    private static final String WATCH = """
            window.seen = {changed: new Set()};
            new MutationObserver(list => list.forEach(({target, type, attributeName}) =>
              seen.changed.add(type + ' ' + (target.className.baseVal ?? target.className) + ' ' + attributeName)))
              .observe(document.querySelector('.stage'),
                       {subtree: true, attributes: true, childList: true, characterData: true});
            performance.clearResourceTimings();
            """;

    /** How many plans were asked for, and how many of them before the one before was answered. */
    private static final String PLANS = """
            const plans = performance.getEntriesByType('resource').filter(({name}) => name.endsWith('/plan'));
            return [plans.length, plans.filter((one, i) => i > 0 && one.startTime < plans[i - 1].responseEnd).length];
            """;

    private static final String TRANSFORM = "return document.querySelector('.stage-picture').style.transform";

    private static final String DRAG = """
            const stage = document.querySelector('.stage');
            const box = stage.getBoundingClientRect();
            const at = (type, x, y) => stage.dispatchEvent(new PointerEvent(type,
              {bubbles: true, pointerId: 1, button: 0, buttons: 1, isPrimary: true,
               clientX: box.left + x, clientY: box.top + y}));
            stage.setPointerCapture = () => {};
            return (async () => {
              const [x0, y0, x1, y1, letGo] = arguments;
              at('pointerdown', x0, y0);
              await new Promise(requestAnimationFrame);
              window.seen && seen.changed.clear();
              for (let i = 1; i <= 60; i++) {
                at('pointermove', x0 + (x1 - x0) * i / 60, y0 + (y1 - y0) * i / 60);
                await new Promise(requestAnimationFrame);
              }
              const changed = window.seen ? [...seen.changed] : [];
              at('pointerup', x1, y1);
              return changed;
            })();
            """;

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private String job;

    @BeforeEach
    void aJob() {
        job = api.newJob("Bench journey");
        api.upload(job, "a.jpg", TestPictures.drawn("jpg", 1800, 1200));
        api.upload(job, "b.jpg", TestPictures.drawn("jpg", 1200, 1500));
        open();
    }

    private void open() {
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");
        browser.see(".figures", "1800 × 1200");
    }

    private JsonNode framing(int at) {
        String id =
                api.get("/jobs/" + job + "/originals").body().get(at).path("id").asString();
        for (JsonNode framing : api.get("/jobs/" + job + "/framings?shape=4:5").body()) {
            if (framing.path("originalId").asString().equals(id)) {
                return framing;
            }
        }
        return api.get("/nothing").body();
    }

    private double kept(int at, String number) {
        return framing(at).path("document").path(number).asDouble(Double.NaN);
    }

    @Test
    void aDragChangesOneTransformAndAsksForOnePlanAtATime() {
        browser.script(WATCH);
        Object changed = browser.script(DRAG, 500, 250, 440, 250, true);
        // The picture's transform, and nothing else of the stage.
        assertThat((List<?>) changed).isEqualTo(List.of("attributes stage-picture style"));
        browser.until(_ -> kept(0, "centreX") > 0.5 ? true : null);
        List<?> plans = (List<?>) browser.script(PLANS);
        assertThat((Long) plans.get(0)).isBetween(3L, 60L);
        assertThat(plans.get(1)).isEqualTo(0L);
        // The last answer wins: what is seen is what is kept.
        String shown = (String) browser.script(TRANSFORM);
        open();
        browser.until(_ -> shown.equals(browser.script(TRANSFORM)) ? true : null);
    }

    @Test
    void aPenDragsAndTwoFingersTightenAndMove() {
        browser.hasTouchScreen(true);
        try {
            open();
            dragByPenAndPinch();
        } finally {
            browser.hasTouchScreen(false);
        }
    }

    private void dragByPenAndPinch() {
        Map<?, ?> box =
                (Map<?, ?>) browser.script("return document.querySelector('.stage').getBoundingClientRect().toJSON()");
        int x = ((Number) box.get("x")).intValue() + ((Number) box.get("width")).intValue() / 2;
        int y = ((Number) box.get("y")).intValue() + ((Number) box.get("height")).intValue() / 2;
        browser.pen("mousePressed", x, y);
        browser.pen("mouseMoved", x - 30, y);
        browser.pen("mouseMoved", x - 60, y);
        browser.pen("mouseReleased", x - 60, y);
        browser.until(_ -> kept(0, "centreX") > 0.5 ? true : null);
        double dragged = kept(0, "centreX");

        browser.touch("touchStart", new int[] {x - 50, y});
        browser.touch("touchStart", new int[] {x - 50, y}, new int[] {x + 50, y});
        for (int apart = 60; apart <= 100; apart += 10) {
            browser.touch("touchMove", new int[] {x - apart, y + 20}, new int[] {x + apart, y + 20});
        }
        browser.touch("touchEnd");
        browser.until(_ -> Math.abs(kept(0, "tightness") - 2) < 1e-6 ? true : null);
        assertThat(kept(0, "centreY")).as("moved down with the fingers").isLessThan(0.5);
        assertThat(kept(0, "centreX")).isCloseTo(dragged, within(0.2));

        browser.withControl("z");
        browser.until(_ -> kept(0, "tightness") == 1 ? true : null);
        assertThat(kept(0, "centreX")).as("two fingers are one edit").isEqualTo(dragged);
    }

    @Test
    void aLevelLineTiltsByItsAngleAndItsEndsCanBeTakenAgain() {
        Map<?, ?> lie = (Map<?, ?>) browser.script("""
                const m = new DOMMatrix(getComputedStyle(document.querySelector('.stage-picture')).transform).inverse();
                const p = (x, y) => { const q = m.transformPoint({x, y}); return [q.x, q.y]; };
                return {from: p(300, 200), to: p(700, 237)};
                """);
        List<?> from = (List<?>) lie.get("from");
        List<?> to = (List<?>) lie.get("to");
        double across = ((Number) to.get(0)).doubleValue() - ((Number) from.get(0)).doubleValue();
        double down = ((Number) to.get(1)).doubleValue() - ((Number) from.get(1)).doubleValue();

        browser.keys("e");
        browser.find(".stage-drawing");
        browser.script(DRAG, 300, 200, 700, 237, true);
        browser.until(_ -> !Double.isNaN(kept(0, "tiltDegrees")) ? true : null);
        assertThat(kept(0, "tiltDegrees")).isCloseTo(-Math.toDegrees(Math.atan2(down, across)), within(0.001));
        // Nothing hides what is lined up while the line is there.
        assertThat(browser.all(".stage-offcut")).isEmpty();

        double before = kept(0, "tiltDegrees");
        browser.script("document.querySelectorAll('.level-end')[1].focus()");
        browser.withShift(Keys.ARROW_DOWN);
        browser.until(_ -> kept(0, "tiltDegrees") < before - 0.5 ? true : null);
        browser.keys(Keys.ESCAPE);
        browser.find(".stage-offcut");
        // One line, one step; and the frame is held inside what is left.
        browser.withControl("z");
        browser.until(_ -> kept(0, "tiltDegrees") == before ? true : null);
    }

    @Test
    void undoIsKeptOverAReloadAndGoesBackToItsPicture() {
        // At one go: a driver on a busy machine may be slower between two keys than the pause that ends an edit.
        browser.script("""
                for (let i = 0; i < 3; i++) {
                  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'w', code: 'KeyW', bubbles: true }));
                }
                """);
        browser.until(_ -> kept(0, "tightness") > 1.09 ? true : null);
        browser.keys(Keys.ENTER);
        browser.see(".figures", "1200 × 1500");
        browser.keys("s");
        browser.until(_ -> kept(1, "tiltDegrees") == 0.1 ? true : null);

        open();
        browser.withControl("z");
        browser.until(_ -> kept(1, "tiltDegrees") == 0 ? true : null);
        browser.see(".figures", "1200 × 1500");
        browser.withControl("z");
        browser.see(".figures", "1800 × 1200");
        browser.until(_ -> !framing(0).path("accepted").asBoolean() ? true : null);
        browser.withControl("z");
        browser.until(_ -> kept(0, "tightness") == 1 ? true : null);
        // Three quick keys were one edit; it comes back whole.
        browser.button("Redo").click();
        browser.until(_ -> kept(0, "tightness") > 1.09 ? true : null);
    }

    @Test
    void anotherWindowsActIsNeverOverwritten() {
        String original =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        assertThat(api.put(
                                "/originals/" + original + "/framings/4:5",
                                Map.of("document", Api.framing(0.5, 2), "accepted", false),
                                "If-Match",
                                "\"-1\"")
                        .status())
                .isEqualTo(200);
        browser.keys("s");
        browser.see(".ant-message", "another window");
        assertThat(kept(0, "tightness")).isEqualTo(2);
        assertThat(kept(0, "tiltDegrees")).isZero();
        // The page looks anew, and the next edit is done on what is there.
        browser.see(".figures", "750 × 600");
        browser.keys("s");
        browser.until(_ -> kept(0, "tiltDegrees") == 0.1 && kept(0, "tightness") == 2 ? true : null);
    }

    @Test
    void framingIsCarriedToAChosenSetAsOneStep() {
        browser.keys("w", "w", "s", "s");
        browser.until(_ -> kept(0, "tiltDegrees") == 0.2 ? true : null);
        browser.keys("c");
        browser.see(".ant-drawer", "Carry from a");
        browser.script(
                "[...document.querySelectorAll('.carry-quick button')].find(b => b.textContent === 'all').click()");
        browser.see(".carry-row", "→");
        browser.button("Carry to 1 picture").click();
        browser.until(_ -> kept(1, "tightness") > 1.05 ? true : null);
        assertThat(kept(1, "tiltDegrees")).isZero();
        browser.until(_ -> browser.all("[role=dialog]").isEmpty() ? true : null);
        browser.withControl("z");
        browser.until(_ -> kept(1, "tightness") == 1 ? true : null);
    }

    @Test
    void eachSideOfTheFreeFrameIsPulledByItself() {
        api.changeFirstTicket(job, ticket -> ticket.putObject("size").put("kind", "free"));
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".free-side-left").sendKeys(Keys.ARROW_RIGHT);
        browser.script("document.querySelector('.free-side-left').focus()");
        for (int i = 0; i < 5; i++) {
            browser.withShift(Keys.ARROW_RIGHT);
        }
        browser.until(_ -> {
            JsonNode framings = api.get("/jobs/" + job + "/framings?shape=free").body();
            if (framings.isEmpty()) {
                return null;
            }
            JsonNode free = framings.get(0).path("document");
            double width = free.path("free").path("width").asDouble();
            double right = free.path("centreX").asDouble() + width / 2;
            boolean pulled = width < 0.95 && free.path("free").path("height").asDouble() == 1;
            return pulled && Math.abs(right - 1) < 1e-6 ? true : null;
        });
    }

    @Test
    void theLoupeShowsTheFilesOwnPixels() {
        browser.keys("l");
        browser.until(_ -> browser.all(".loupe img").size() == 1
                        && (Boolean) browser.script("return document.querySelector('.loupe img').naturalWidth === 240")
                ? true
                : null);
        browser.see(".loupe", "1:1");
    }

    @Test
    void whatAPictureHasOfItsOwnIsMarked() {
        browser.keys("o");
        browser.see(".own-form", "on the ticket 300");
        browser.script("[...document.querySelectorAll('.own-form label')].find(l => l.textContent === '150').click()");
        browser.see(".column-here", "own ppi 150");
        browser.see(".figures", "1500 × 1200");
        browser.open(address + "/jobs/" + job + "/pile");
        browser.see(".pile", "own ppi 150");
    }
}
