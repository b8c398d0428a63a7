package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** From a dropped folder to a downloaded ZIP, by drop, keyboard and clicks alone. */
@InBrowser
class WholeWayTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @TempDir
    Path temporary;

    private Path folder() throws IOException {
        Path folder = Files.createDirectories(temporary.resolve("Saltmere"));
        Files.createDirectories(folder.resolve("day two"));
        Files.write(folder.resolve("arrivals.jpg"), TestPictures.drawn("jpg", 1800, 1200));
        Files.write(folder.resolve("upright.jpg"), TestPictures.drawn("jpg", 1200, 1800));
        Files.write(folder.resolve("day two/arrivals.jpg"), TestPictures.drawn("jpg", 1600, 1200, Color.PINK));
        Files.write(folder.resolve("day two/square.png"), TestPictures.drawn("png", 900, 900));
        Files.write(folder.resolve("cut.jpg"), TestPictures.cutShort(TestPictures.drawn("jpg", 1800, 1200)));
        Files.writeString(folder.resolve("notes.jpg"), "shot list\n");
        Files.writeString(folder.resolve(".DS_Store"), "litter");
        return folder;
    }

    @Test
    void aFolderBecomesCheckedFiles() throws IOException {
        Path folder = folder();
        Map<Path, byte[]> before = contents(folder);

        browser.open(address + "/");
        browser.drop(browser.find("section.drop"), folder);
        browser.until(_ -> browser.address().endsWith("/pile") ? true : null);
        browser.see(".course-brick.active .course-state", "6 files");
        browser.see(".picture-reason", "cut short");
        browser.see(".picture-reason", "is text");
        browser.see(".picture-folder", "in day two");
        String job = browser.address().replaceAll(".*/jobs/([^/]+)/.*", "$1");

        frameByKeyboard(job);

        // Two clicks from the pile to files: the run, and what it left.
        browser.open(address + "/jobs/" + job + "/pile");
        browser.button("Run 4 pieces").click();
        browser.see("h1", "Prints 8 × 10");
        browser.see(".run-figures", "4 of 5 pieces");
        browser.see(".failed-pieces", "cut.jpg is cut short");
        browser.button("See the delivery").click();
        browser.see(".delivery-head", "4 checked files of 5");
        browser.button("Download all as ZIP").click();

        Map<String, Path> unpacked = unpack(downloaded());
        assertThat(unpacked)
                .containsOnlyKeys(
                        "arrivals_8x10in.jpg",
                        "arrivals_8x10in-2.jpg",
                        "square_8x10in.jpg",
                        "upright_8x10in.jpg",
                        "certificate.json",
                        "list.csv",
                        "list.json");
        assertThat(identified(unpacked))
                .containsExactlyInAnyOrder(
                        "arrivals_8x10in.jpg 3000x2400 300 sRGB IEC 61966-2-1",
                        "arrivals_8x10in-2.jpg 2400x3000 300 sRGB IEC 61966-2-1",
                        "square_8x10in.jpg 2400x3000 300 sRGB IEC 61966-2-1",
                        "upright_8x10in.jpg 2400x3000 300 sRGB IEC 61966-2-1");
        assertThat(contents(folder)).as("the folder that was dropped").isEqualTo(before);

        aDamagedPictureIsPrintedBecauseSomebodySaysSo(job);
    }

    private void aDamagedPictureIsPrintedBecauseSomebodySaysSo(String job) {
        browser.open(address + "/jobs/" + job + "/pile");
        browser.find(".picture:has(.picture-damage)").click();
        browser.button("Print 1 damaged picture anyway").click();
        browser.see(".picture-chosen", "damaged, but printed");
        browser.button("Run these 1").click();
        browser.see(".run-figures", "1 of 1 piece");
    }

    /** Every picture with a glance; one nudged, tightened, turned, undone and redone. */
    private void frameByKeyboard(String job) {
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");
        browser.see(".figures", "1800 × 1200");
        browser.keys(Keys.ARROW_LEFT, Keys.ARROW_LEFT);
        browser.keys(Keys.ENTER);
        browser.see(".column-here", "arrivals");
        browser.see(".figures", "1600 × 1200");
        browser.keys("t");
        browser.see(".figures", "8 × 10");
        browser.withControl("z");
        browser.see(".figures", "10 × 8");
        browser.script("document.activeElement.blur()");
        browser.keys("t");
        browser.see(".figures", "8 × 10");
        browser.keys("www");
        browser.keys(Keys.ENTER);
        browser.see(".figures", "900 × 900");
        browser.keys(Keys.ENTER);
        browser.see(".figures", "1200 × 1800");
        browser.keys(Keys.BACK_SPACE);
        browser.see(".figures", "900 × 900");
        browser.keys(Keys.ENTER, Keys.ENTER);
        browser.see(".course-brick.active .course-state", "4 of 4 framed");
        Map<String, JsonNode> framings = new HashMap<>();
        browser.until(_ -> {
            framings.clear();
            api.get("/jobs/" + job + "/framings?shape=4:5").body().forEach(framing -> {
                if (framing.path("accepted").asBoolean()) {
                    framings.put(framing.path("originalId").asString(), framing.path("document"));
                }
            });
            return framings.size() == 4 ? true : null;
        });
        JsonNode originals = api.get("/jobs/" + job + "/originals").body();
        originals.forEach(original -> {
            JsonNode framing = framings.get(original.path("id").asString());
            if (original.path("path").asString().equals("arrivals.jpg")) {
                // Two arrows left: the picture went 2 mm left, the frame so many of its pixels right.
                double seen = 2 / 25.4 * 150 / 1800;
                assertThat(framing.path("centreX").asDouble() - 0.5)
                        .isCloseTo(seen, org.assertj.core.api.Assertions.within(1e-6));
            }
            if (original.path("path").asString().equals("day two/arrivals.jpg")) {
                assertThat(framing.path("turn").asString()).isEqualTo("UPRIGHT");
                assertThat(framing.path("tightness").asDouble())
                        .isCloseTo(Math.pow(1.03, 3), org.assertj.core.api.Assertions.within(1e-6));
            }
        });
    }

    private Path downloaded() {
        return browser.until(_ -> {
            try (Stream<Path> files = Files.list(browser.downloads())) {
                return files.filter(file -> file.toString().endsWith(".zip"))
                        .findFirst()
                        .orElse(null);
            } catch (IOException failed) {
                throw new java.io.UncheckedIOException(failed);
            }
        });
    }

    private Map<String, Path> unpack(Path zip) throws IOException {
        Map<String, Path> files = new HashMap<>();
        Path into = Files.createDirectories(temporary.resolve("unpacked"));
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                String name = entry.getName().substring(entry.getName().lastIndexOf('/') + 1);
                Files.copy(in, into.resolve(name));
                files.put(name, into.resolve(name));
            }
        }
        return files;
    }

    private static List<String> identified(Map<String, Path> files) {
        return files.values().stream()
                .filter(file -> file.toString().endsWith(".jpg"))
                .map(Outside::identify)
                .toList();
    }

    private static Map<Path, byte[]> contents(Path folder) throws IOException {
        Map<Path, byte[]> contents = new java.util.TreeMap<>();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                contents.put(file, Files.readAllBytes(file));
            }
        }
        return new java.util.AbstractMap<>() {
            @Override
            public java.util.Set<Entry<Path, byte[]>> entrySet() {
                return contents.entrySet();
            }

            @Override
            public boolean equals(Object other) {
                return other instanceof Map<?, ?> map
                        && map.keySet().equals(contents.keySet())
                        && contents.entrySet().stream()
                                .allMatch(entry ->
                                        java.util.Arrays.equals(entry.getValue(), (byte[]) map.get(entry.getKey())));
            }

            @Override
            public int hashCode() {
                return contents.keySet().hashCode();
            }
        };
    }
}
