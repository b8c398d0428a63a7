package embrick.e2e;

import embrick.demo.FillDemoJob;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * No test: measures the pages in the browser against the bounds that are stated beside each figure. {@code ./embrick bench
 * pages} runs it; as every figure of time it depends on the machine, so that nothing fails by it.
 */
@ExtendWith(RunningServer.class)
class PageFigures {
    private static final int MANY = 2000;

    /**
     * A drag of 300 frames. A frame's work on the main thread is measured from before its pointer event is handled to the
     * first task after it was drawn, which also waits for the display's own thread: the same without a drag says how much of
     * it that is. Figures are as late as their text changes after the move that changed them.
     */
    private static final String DRAG = """
            const stage = document.querySelector('.stage');
            const box = stage.getBoundingClientRect();
            stage.setPointerCapture = () => {};
            const at = (type, x, y) => stage.dispatchEvent(new PointerEvent(type,
              {bubbles: true, pointerId: 1, button: 0, buttons: 1, isPrimary: true,
               clientX: box.left + x, clientY: box.top + y}));
            const long = [];
            new PerformanceObserver(list => list.getEntries().forEach(e => long.push(e.duration))).observe({type: 'longtask'});
            const channel = new MessageChannel();
            const afterDrawing = () => new Promise(done => { channel.port1.onmessage = done; channel.port2.postMessage(0); });
            return (async () => {
              const work = [];
              at('pointerdown', 500, 250);
              for (let i = 1; i <= 300; i++) {
                await new Promise(requestAnimationFrame);
                const from = performance.now();
                if (arguments[0]) at('pointermove', 500 + 60 * Math.sin(i / 9), 250 + 40 * Math.cos(i / 7));
                await afterDrawing();
                work.push(performance.now() - from);
              }
              at('pointerup', 500, 250);
              return {work, long};
            })();
            """;

    private static final String FIGURES_FOLLOW = """
            const stage = document.querySelector('.stage');
            const box = stage.getBoundingClientRect();
            return (async () => {
              const late = [];
              for (let i = 0; i < 20; i++) {
                const before = document.querySelector('.figures').textContent;
                const from = performance.now();
                stage.dispatchEvent(new WheelEvent('wheel', {bubbles: true, cancelable: true, deltaY: i % 4 < 2 ? -60 : 60,
                  clientX: box.left + 400, clientY: box.top + 200}));
                while (document.querySelector('.figures').textContent === before && performance.now() - from < 2000)
                  await new Promise(done => setTimeout(done, 1));
                late.push(performance.now() - from);
                await new Promise(done => setTimeout(done, 420));
              }
              return late;
            })();
            """;

    /** From the key to the next picture drawn with its own plan. */
    private static final String PASS = """
            return (async () => {
              const late = [];
              const wanted = Math.min(arguments[0], 40);
              for (let i = 0; i < wanted; i++) {
                const before = document.querySelector('.stage-picture').src;
                await new Promise(done => setTimeout(done, 450));
                const from = performance.now();
                document.body.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true}));
                const here = () => { const p = document.querySelector('.stage-picture');
                  return p && p.src !== before && p.complete && p.naturalWidth > 0; };
                while (!here() && performance.now() - from < 3000) await new Promise(done => setTimeout(done, 1));
                await new Promise(requestAnimationFrame);
                late.push(performance.now() - from);
              }
              return late;
            })();
            """;

    private static final String SCROLL = """
            const list = arguments[0] === 'window' ? document.scrollingElement : document.querySelector(arguments[0]);
            return (async () => {
              const frames = [];
              let last = performance.now();
              for (let i = 0; i < 120; i++) {
                list.scrollTop = (i * 97) % Math.max(1, list.scrollHeight - list.clientHeight);
                await new Promise(requestAnimationFrame);
                const now = performance.now();
                frames.push(now - last);
                last = now;
              }
              return frames;
            })();
            """;

    private static final String CHOOSE_ALL = """
            const button = [...document.querySelectorAll('.pile-bar button')].find(b => b.textContent.startsWith('Select'));
            return (async () => {
              const from = performance.now();
              button.click();
              while (!document.querySelector('.pile-foot').textContent.includes('2000 selected')
                     && performance.now() - from < 5000)
                await new Promise(done => setTimeout(done, 1));
              await new Promise(requestAnimationFrame);
              return [performance.now() - from];
            })();
            """;

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @Test
    void measure() throws Exception {
        String demo = FillDemoJob.into(address, Path.of(System.getProperty("embrick.pictures")));
        browser.open(address + "/jobs/" + demo + "/bench?at=" + api.original(demo, "arrivals.jpg"));
        browser.see(".figures", "6000 × 4000");
        settle();
        browser.script(DRAG, true);
        Map<?, ?> drag = (Map<?, ?>) browser.script(DRAG, true);
        List<Double> idle = numbers(((Map<?, ?>) browser.script(DRAG, false)).get("work"));
        List<Double> work = numbers(drag.get("work"));
        say("drag on 24 MP: main thread a frame, 95th percentile", share(work, 0.95), "ms, at most 8");
        say("drag on 24 MP: the same, median", share(work, 0.5), "ms");
        say("without a drag: a frame, 95th percentile", share(idle, 0.95), "ms");
        say(
                "drag on 24 MP: longest task",
                numbers(drag.get("long")).stream().reduce(0.0, Math::max),
                "ms over 50, none");
        say("figures follow, worst of 20", share(numbers(browser.script(FIGURES_FOLLOW)), 1), "ms, at most 100");
        browser.open(address + "/jobs/" + demo + "/bench");
        browser.find(".stage-picture");
        settle();
        List<Double> pass = numbers(browser.script(PASS, 20));
        say("next picture in a pass, median", share(pass, 0.5), "ms, at most 150");
        say("next picture in a pass, worst of 20", share(pass, 1), "ms, at most 150");
        largeJob();
    }

    private void largeJob() throws Exception {
        String job = api.newJob("Two thousand");
        byte[] picture = TestPictures.drawn("jpg", 600, 400);
        try (ExecutorService senders = Executors.newFixedThreadPool(4)) {
            for (int i = 0; i < MANY; i++) {
                String path = "p%04d.jpg".formatted(i);
                senders.execute(() -> api.upload(job, path, picture));
            }
            senders.shutdown();
            if (!senders.awaitTermination(5, TimeUnit.MINUTES)) {
                throw new IllegalStateException("the large job did not arrive");
            }
        }
        browser.open(address + "/jobs/" + job + "/pile");
        browser.see(".pile-foot", "2000 pictures");
        settle();
        say("2000 pictures: pile, frame while scrolling, 95th percentile", share(scroll(".grid-scroll"), 0.95), "ms");
        say("2000 pictures: choose all", share(numbers(browser.script(CHOOSE_ALL)), 1), "ms, at most 200");
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");
        browser.see(".figures", "600 × 400");
        settle();
        List<Double> pass = numbers(browser.script(PASS, 20));
        say("2000 pictures: next picture, median", share(pass, 0.5), "ms, at most 200");
        say("2000 pictures: next picture, worst of 20", share(pass, 1), "ms, at most 200");
        say("2000 pictures: column, frame while scrolling, 95th percentile", share(scroll(".column-list"), 0.95), "ms");
        say("2000 pictures: memory of the page", browser.heapMegabytes(), "MB, at most 400");
    }

    private List<Double> scroll(String list) {
        return numbers(browser.script(SCROLL, list));
    }

    @SuppressWarnings("ThreadSleep")
    private static void settle() throws InterruptedException {
        Thread.sleep(2500);
    }

    private static List<Double> numbers(Object list) {
        List<Double> numbers = new ArrayList<>();
        ((List<?>) list).forEach(number -> numbers.add(((Number) number).doubleValue()));
        return numbers;
    }

    private static double share(List<Double> values, double share) {
        List<Double> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        return sorted.get((int) Math.ceil(share * sorted.size()) - 1);
    }

    private static void say(String what, double figure, String bound) {
        System.out.println(String.format(Locale.ROOT, "PAGES %-64s %8.1f %s", what, figure, bound));
    }
}
