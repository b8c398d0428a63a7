package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pages in windows of many sizes: 640 × 400 is 1280 × 800 at 200 % zoom (WCAG 2.2, 1.4.4), 390 × 844 a phone. */
@InBrowser
class WindowSizesTest {
    private static final Map<String, String> STAGES = Map.of("bench", ".bench-stage", "proof", ".proof-stage");

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @AfterEach
    void asItWas() {
        browser.usualSize();
    }

    private String job() {
        String job = api.newJob("Sizes");
        for (String name : List.of("a.jpg", "b.jpg")) {
            api.upload(job, name, TestPictures.drawn("jpg", 1200, 900));
        }
        return job;
    }

    private double height(String css) {
        return ((Number) browser.script(
                        "return document.querySelector(arguments[0]).getBoundingClientRect().height", css))
                .doubleValue();
    }

    @Test
    void onAUsualScreenToolsTakeOneRowAndThePictureTheRest() {
        String job = job();
        STAGES.forEach((page, stage) -> {
            browser.open(address + "/jobs/" + job + "/" + page);
            browser.find(".figures strong, .figures dd");
            assertThat(height(stage)).as("stage of the %s", page).isGreaterThanOrEqualTo(560);
            assertThat(height(".bench-buttons")).as("tools of the %s", page).isLessThan(60);
        });
    }

    @ParameterizedTest
    @CsvSource({"640, 400", "390, 844"})
    void inASmallWindowThePictureHasNearlyHalfOfItAndNothingLiesOutside(int width, int height) {
        String job = job();
        api.finished(api.startRun(job));
        browser.size(width, height);
        STAGES.forEach((page, stage) -> {
            browser.open(address + "/jobs/" + job + "/" + page);
            browser.find(".figures strong, .figures dd");
            assertThat(height(stage)).as("stage of the %s", page).isGreaterThanOrEqualTo(0.45 * height);
            // Scrolling reaches the pictures below.
            browser.script("document.querySelector('.column').scrollIntoView({block: 'end'})");
            assertThat(((Number) browser.script(
                                    "return document.querySelector('.column').getBoundingClientRect().bottom"))
                            .doubleValue())
                    .as("pictures of the %s", page)
                    .isLessThanOrEqualTo(height + 1);
        });
        for (String page : List.of("/", "/desk", "/floor", "pile", "ticket", "bench", "proof", "run", "delivery")) {
            browser.open(page.startsWith("/") ? address + page : address + "/jobs/" + job + "/" + page);
            browser.find("main");
            assertThat((List<?>) browser.script("""
                    // A table of many columns moves in its own frame (WCAG 2.2, 1.4.10).
                    return [...document.querySelectorAll('main button, main a, main input')]
                      .filter((e) => e.getBoundingClientRect().right > innerWidth + 1 && !e.closest('.ant-table'))
                      .map((e) => e.outerHTML.slice(0, 120));
                    """)).as("cut off on %s", page).isEmpty();
        }
    }
}
