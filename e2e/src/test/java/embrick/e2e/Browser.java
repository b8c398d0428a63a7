package embrick.e2e;

import embrick.testing.Await;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.Keys;
import org.openqa.selenium.NotFoundException;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedCondition;

/** Debian's Chromium without a monitor, its page exactly 1280 × 800; one for all tests of the JVM. */
final class Browser {
    private static Browser one;

    private final ChromeDriver driver;
    private final Path downloads;

    private Browser() throws java.io.IOException {
        Path profile = Files.createTempDirectory("embrick-chromium");
        downloads = Files.createTempDirectory("embrick-downloads");
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--disable-dev-shm-usage",
                "--force-device-scale-factor=1",
                "--hide-scrollbars",
                "--lang=en-GB",
                // Nobody watches: what moves takes as much of the processor as all the rest. See move().
                "--force-prefers-reduced-motion",
                "--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost",
                "--user-data-dir=" + profile);
        Map<String, Object> preferences = new HashMap<>();
        preferences.put("download.default_directory", downloads.toString());
        options.setExperimentalOption("prefs", preferences);
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile())
                .build();
        driver = new ChromeDriver(service, options);
        Runtime.getRuntime().addShutdownHook(new Thread(() -> close(profile)));
        driver.manage().timeouts().scriptTimeout(Duration.ofMinutes(3));
        driver.manage().window().setSize(new Dimension(1280, 800));
        long width = (Long) driver.executeScript("return window.innerWidth");
        long height = (Long) driver.executeScript("return window.innerHeight");
        driver.manage().window().setSize(new Dimension((int) (2560 - width), (int) (1600 - height)));
    }

    static synchronized Browser get() {
        if (one == null) {
            try {
                one = new Browser();
            } catch (java.io.IOException failed) {
                throw new java.io.UncheckedIOException(failed);
            }
        }
        return one;
    }

    private void close(Path profile) {
        driver.quit();
        for (Path folder : List.of(profile, downloads)) {
            try (var files = Files.walk(folder)) {
                files.sorted(java.util.Comparator.reverseOrder())
                        .forEach(file -> file.toFile().delete());
            } catch (java.io.IOException | java.io.UncheckedIOException gone) {
                // What the browser itself takes away meanwhile needs no help.
            }
        }
    }

    void open(String address) {
        // What an earlier test that failed still holds is let go.
        driver.resetInputState();
        driver.get(address);
    }

    String address() {
        return driver.getCurrentUrl();
    }

    Path downloads() {
        return downloads;
    }

    WebElement find(String css) {
        return until(page -> {
            List<WebElement> found = page.findElements(By.cssSelector(css));
            return found.isEmpty() ? null : found.getFirst();
        });
    }

    /** The first that can be seen of those found: what is folded away stays in the page. */
    WebElement shown(By by) {
        return until(page -> page.findElements(by).stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null));
    }

    WebElement button(String text) {
        return until(
                page -> page
                        .findElements(
                                By.xpath("//button[contains(., '" + text + "')] | //a[contains(., '" + text + "')]"))
                        .stream()
                        .filter(WebElement::isEnabled)
                        .findFirst()
                        .orElse(null));
    }

    List<WebElement> all(String css) {
        return driver.findElements(By.cssSelector(css));
    }

    String text(String css) {
        return find(css).getText();
    }

    /** Waits until an element holds a text. */
    void see(String css, String text) {
        until(page -> page.findElements(By.cssSelector(css)).stream()
                        .anyMatch(element -> element.getText().contains(text))
                ? Boolean.TRUE
                : null);
    }

    /** Waits until a condition gives something; a wait in vain leaves a picture of the page in {@code target/}. */
    <T> T until(ExpectedCondition<T> condition) {
        try {
            return Await.until("what is expected of the page", () -> asked(condition), Browser::isThere);
        } catch (AssertionError inVain) {
            try {
                Path picture = Files.write(Path.of("target/in-vain.png"), picture());
                throw new AssertionError(
                        inVain.getMessage() + "; at " + address() + ", see " + picture.toAbsolutePath()
                                + "; switched on: " + texts("[aria-pressed=true], label:has(input:checked)")
                                + "; the page: " + texts("main"),
                        inVain);
            } catch (java.io.IOException failed) {
                inVain.addSuppressed(failed);
                throw inVain;
            }
        }
    }

    /** Returns null while an element is missing or is being redrawn, so that the wait asks again. */
    private <T> T asked(ExpectedCondition<T> condition) {
        try {
            return condition.apply(driver);
        } catch (NotFoundException | StaleElementReferenceException notYet) {
            return null;
        }
    }

    private static boolean isThere(Object answer) {
        return answer != null && !Boolean.FALSE.equals(answer);
    }

    List<String> texts(String css) {
        return all(css).stream().map(WebElement::getText).toList();
    }

    void keys(CharSequence... keys) {
        new Actions(driver).sendKeys(keys).perform();
    }

    void withControl(CharSequence key) {
        new Actions(driver)
                .keyDown(Keys.CONTROL)
                .sendKeys(key)
                .keyUp(Keys.CONTROL)
                .perform();
    }

    void withShift(CharSequence key) {
        new Actions(driver).keyDown(Keys.SHIFT).sendKeys(key).keyUp(Keys.SHIFT).perform();
    }

    void drag(WebElement element, int dx, int dy) {
        new Actions(driver).dragAndDropBy(element, dx, dy).perform();
    }

    /** Takes one thing and lets it go on another, so far beside its middle. */
    void dragOnto(WebElement taken, WebElement target, int dx) {
        new Actions(driver)
                .moveToElement(taken)
                .clickAndHold()
                .moveByOffset(-12, 0)
                .moveToElement(target, dx, 0)
                .moveByOffset(1, 0)
                .release()
                .perform();
    }

    /** As for somebody who asked for no less motion. */
    void move(boolean moves) {
        driver.executeCdpCommand(
                "Emulation.setEmulatedMedia",
                Map.of(
                        "features",
                        List.of(Map.of(
                                "name", "prefers-reduced-motion", "value", moves ? "no-preference" : "reduce"))));
    }

    /** Sets the viewport, in CSS pixels, for pages opened from now on; {@link #usualSize} resets it. */
    void size(int width, int height) {
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    void usualSize() {
        driver.executeCdpCommand("Emulation.clearDeviceMetricsOverride", Map.of());
    }

    /** As a machine with a touch screen, for pages that are opened from now on. */
    void hasTouchScreen(boolean hasOne) {
        driver.executeCdpCommand(
                "Emulation.setTouchEmulationEnabled",
                hasOne ? Map.of("enabled", true, "maxTouchPoints", 5) : Map.of("enabled", false));
    }

    /** Fingers on the page, each at its place; none of them once all are lifted. */
    void touch(String type, int[]... places) {
        List<Map<String, Object>> points = new ArrayList<>();
        for (int[] place : places) {
            points.add(Map.of("x", place[0], "y", place[1], "id", points.size()));
        }
        driver.executeCdpCommand("Input.dispatchTouchEvent", Map.of("type", type, "touchPoints", points));
    }

    /** A pen over the page, or on it. */
    void pen(String type, int x, int y) {
        Map<String, Object> event = new HashMap<>(Map.of("type", type, "x", x, "y", y, "pointerType", "pen"));
        if (!type.equals("mouseMoved")) {
            event.putAll(Map.of("button", "left", "clickCount", 1));
        }
        event.put("buttons", type.equals("mouseReleased") ? 0 : 1);
        driver.executeCdpCommand("Input.dispatchMouseEvent", event);
    }

    Object script(String script, Object... arguments) {
        return driver.executeScript(script, arguments);
    }

    /** Drops real files or folders on an element, as a hand would from a file window. */
    void drop(WebElement on, Path... paths) {
        Map<?, ?> place = (Map<?, ?>) script(
                "const r = arguments[0].getBoundingClientRect(); return {x: r.x + r.width / 2, y: r.y + r.height / 2}",
                on);
        Map<String, Object> data = Map.of(
                "items", List.of(),
                "files", java.util.Arrays.stream(paths).map(Path::toString).toList(),
                "dragOperationsMask", 1);
        for (String type : List.of("dragEnter", "dragOver", "dragOver", "drop")) {
            afterTwoFrames();
            driver.executeCdpCommand(
                    "Input.dispatchDragEvent",
                    Map.of("type", type, "x", place.get("x"), "y", place.get("y"), "data", data));
        }
    }

    /** The page has handled what came before: a drop that comes before it has allowed one is lost. */
    private void afterTwoFrames() {
        script("return new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))");
    }

    /** What the page's scripts hold, after what they let go was cleared, with its nodes and styles. */
    double heapMegabytes() {
        driver.executeCdpCommand("HeapProfiler.collectGarbage", Map.of());
        driver.executeCdpCommand("Performance.enable", Map.of());
        List<?> metrics = (List<?>)
                driver.executeCdpCommand("Performance.getMetrics", Map.of()).get("metrics");
        return metrics.stream()
                        .map(metric -> (Map<?, ?>) metric)
                        .filter(metric -> "JSHeapTotalSize".equals(metric.get("name")))
                        .mapToDouble(metric -> ((Number) metric.get("value")).doubleValue())
                        .sum()
                / 1e6;
    }

    byte[] picture() {
        return driver.getScreenshotAs(OutputType.BYTES);
    }
}
