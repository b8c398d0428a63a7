package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Roll;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** Pieces are laid and printed on a roll that ends half-way; it goes on on the next without a piece lost or printed twice. */
@InBrowser
class OnTheRollTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Roll roll = Roll.get();

    @Test
    void aRollThatEndsHalfWayIsFollowedByTheNext() {
        String job = api.newJob("Two rolls");
        for (int i = 0; i < 4; i++) {
            api.upload(job, "dune" + i + ".jpg", TestPictures.drawn("jpg", 400 + i, 300));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 60));
        String run = api.startRun(job);
        api.finished(run);
        roll.load(609.6, 330);

        browser.open(address + "/jobs/" + job + "/layout/" + run);
        browser.see(".layout-figures", "4 pieces");
        press("Print on the roll");
        browser.see(".layout-print", "too short");
        press("Send it to the printer");
        browser.see(".roll-need", "The roll has ended");
        browser.see(".roll-job", "2 of 4 pieces whole on paper");
        press("Load this roll");
        browser.see(".roll-job", "4 of 4 pieces whole on paper");
        browser.see(".roll-job [role=status]", "printed");

        Map<Integer, Integer> times = new HashMap<>();
        roll.jobs()
                .path(0)
                .path("stretches")
                .forEach(
                        stretch -> stretch.path("whole").forEach(piece -> times.merge(piece.asInt(), 1, Integer::sum)));
        assertThat(times)
                .hasSize(4)
                .allSatisfy((_, printed) -> assertThat(printed).isEqualTo(1));
        assertThat(roll.jobs().path(0).path("stretches")).hasSize(2);
    }

    private void press(String button) {
        browser.shown(By.xpath("//button[normalize-space()='" + button + "']")).click();
    }
}
