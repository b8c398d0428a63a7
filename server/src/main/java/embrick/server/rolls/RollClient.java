package embrick.server.rolls;

import embrick.server.outside.OutsideService;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** Speaks with the roll printer, by its open protocol: tickets in JSON, pages as PDF. All lengths are millimetres. */
@Component
public class RollClient {
    /** A long strip over a slow line. */
    private static final Duration TO_SEND = Duration.ofMinutes(15);

    private final OutsideService outside;

    RollClient(RollSettings settings) {
        this.outside = new OutsideService("roll printer", settings.address());
    }

    /** What is to be printed, beside the PDF that shows it. */
    public record Ticket(String name, String paper, double width, List<Page> pages, String memo) {}

    /** A stretch of the roll. */
    public record Page(double length, List<TicketPiece> pieces) {}

    /** @param number that no other piece of the job has */
    public record TicketPiece(int number, String name, double x, double y, double width, double height) {}

    record Roll(int number, double width, String paper, double left) {}

    record Ink(String name, double percent) {}

    /** Why nothing is printed. */
    enum Stop {
        PAPER,
        JAM,
        INK,
        OTHER_ROLL,
        SHORT
    }

    record Printer(String name, Roll roll, List<Ink> inks, double speed, Stop stop, String printing) {}

    /** How far a job is. */
    public enum State {
        RECEIVING,
        QUEUED,
        PRINTING,
        DONE,
        CANCELLED
    }

    /** Why a stretch of paper ends where it does. */
    enum End {
        NONE,
        PAGE,
        PAPER,
        JAM,
        CANCELLED
    }

    record Stretch(int number, int page, int roll, double from, double until, double at, End end, boolean isDrawn) {}

    /** A job as the printer has it. */
    public record Job(
            String id,
            String name,
            Instant receivedAt,
            State state,
            Ticket ticket,
            Set<Integer> printed,
            List<Stretch> stretches) {}

    public boolean isSetUp() {
        return outside.isSetUp();
    }

    Printer printer() throws IOException {
        return outside.ask(outside.request("/").GET(), Printer.class);
    }

    List<Job> jobs() throws IOException {
        return List.of(outside.ask(outside.request("/jobs").GET(), Job[].class));
    }

    /** Sent again under the same key it is the same job. */
    public Job add(String key, Ticket ticket) throws IOException {
        return outside.ask(outside.sending("/jobs", ticket).header("Idempotency-Key", key), Job.class);
    }

    /** Sends a job's pages; sent again they are printed once. */
    public Job send(String job, Path pdf) throws IOException {
        return outside.ask(
                outside.request(path(job) + "/document")
                        .header("Content-Type", "application/pdf")
                        .PUT(BodyPublishers.ofFile(pdf)),
                TO_SEND,
                Job.class);
    }

    void cancel(String job) throws IOException {
        outside.ask(outside.request(path(job) + "/cancel").POST(BodyPublishers.noBody()), Job.class);
    }

    record WantedRoll(double width, String paper, double length) {}

    void load(WantedRoll roll) throws IOException {
        outside.ask(
                outside.request("/roll")
                        .header("Content-Type", "application/json")
                        .PUT(outside.body(roll)),
                Printer.class);
    }

    void fill() throws IOException {
        outside.ask(outside.request("/inks/fill").POST(BodyPublishers.noBody()), Printer.class);
    }

    void clearJam() throws IOException {
        outside.ask(outside.request("/jam/clear").POST(BodyPublishers.noBody()), Printer.class);
    }

    byte[] picture(String job, int stretch) throws IOException {
        return outside.bytes(outside.request(path(job) + "/stretches/" + stretch + ".png"));
    }

    /** Its ids are the printer's own, and whatever they hold they name one job. */
    private static String path(String job) {
        return "/jobs/" + UriUtils.encodePathSegment(job, StandardCharsets.UTF_8);
    }
}
