package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** A delivery's pieces are laid on a roll, one is moved and taken back, and sheets are saved as PDF. */
@InBrowser
class LaidOnPaperTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @Test
    void piecesAreLaidMovedAndSavedAsPdf() throws IOException {
        String job = api.newJob("For the roll");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "dune" + i + ".jpg", TestPictures.drawn("jpg", 400 + i, 300));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 60));
        String run = api.startRun(job);
        api.finished(run);

        browser.open(address + "/jobs/" + job + "/delivery/" + run);
        browser.shown(By.xpath("//button[normalize-space()='Arrange on paper']"))
                .click();
        browser.see(".layout-figures", "3 pieces");
        // 254 and 203 mm across a roll of 610, the third beside or below: little more than two prints' length.
        browser.see(".layout-figures", "0.4");

        // By hand over another: told by name, and not to be saved; taken back with the undo that its keys have
        // everywhere.
        WebElement piece = browser.all(".layout-piece").getFirst();
        String before = piece.getAttribute("aria-label");
        browser.drag(piece, 120, 40);
        browser.see(".layout-paper", "lies over");
        assertThat(browser.shown(By.xpath("//button[normalize-space()='Save as PDF']"))
                        .isEnabled())
                .isFalse();
        browser.withControl("z");
        Await.until(
                "the piece back in its place",
                () -> browser.all(".layout-piece").getFirst().getAttribute("aria-label"),
                before::equals);

        // By keys, kept when the page is left.
        String lastBefore = browser.all(".layout-piece").getLast().getAttribute("aria-label");
        browser.script("document.querySelectorAll('.layout-piece')[2].focus()");
        browser.keys(Keys.ARROW_RIGHT);
        String moved = Await.until(
                "the piece to move",
                () -> browser.all(".layout-piece").getLast().getAttribute("aria-label"),
                label -> !label.equals(lastBefore));
        browser.open(address + "/jobs/" + job + "/layout/" + run);
        browser.see(".layout-figures", "3 pieces");
        assertThat(browser.all(".layout-piece").getLast().getAttribute("aria-label"))
                .isEqualTo(moved);

        browser.find(".ant-select[aria-label='Paper'], input[aria-label='Paper']")
                .click();
        browser.shown(By.xpath("//*[contains(@class,'ant-select-item-option')][contains(.,'13 × 19 in')]"))
                .click();
        browser.see(".layout-figures", "2 sheets");
        browser.button("Save as PDF").click();
        Path saved = Await.until("the saved PDF", this::savedPdf, Optional::isPresent)
                .orElseThrow();
        assertThat(Outside.run(List.of("qpdf", "--check", saved.toString()))).contains("No syntax");
        assertThat(Outside.run(List.of("pdfinfo", saved.toString())))
                .containsPattern("Pages: +2")
                .contains("936 x 1368 pts");
    }

    private Optional<Path> savedPdf() {
        try (Stream<Path> files = Files.list(browser.downloads())) {
            return files.filter(file -> file.toString().endsWith("sheets 330 mm.pdf"))
                    .findFirst();
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }
}
