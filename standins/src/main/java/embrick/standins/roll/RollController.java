package embrick.standins.roll;

import embrick.standins.common.RefusedException;
import embrick.standins.roll.JobTicket.Piece;
import embrick.standins.roll.Press.Stop;
import embrick.standins.roll.PrintJob.End;
import embrick.standins.roll.PrintJob.State;
import embrick.standins.roll.Printer.Ink;
import embrick.standins.roll.Printer.Roll;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** The printer's open protocol: its state, its roll and inks, and jobs of a ticket in JSON and pages as PDF. */
@RestController
class RollController {
    /** Millimetres: as long as a roll may be that is loaded. */
    private static final double LONGEST = 200_000;

    private final Press press;
    private final Spool spool;
    private final Clock clock;

    RollController(Press press, Spool spool, Clock clock) {
        this.press = press;
        this.spool = spool;
        this.clock = clock;
    }

    record PrinterView(String name, Roll roll, List<Ink> inks, double speed, Stop stop, String printing) {}

    record WantedRoll(
            @DecimalMin("100") @DecimalMax("3000") double width,
            @NotBlank String paper,
            @DecimalMin("1") @DecimalMax("200000") double length) {}

    record WantedSpeed(
            @DecimalMin("1") @DecimalMax("100000") double millimetresPerSecond) {}

    record StretchView(
            int number,
            int page,
            int roll,
            double from,
            double until,
            double at,
            End end,
            Set<Integer> whole,
            boolean isDrawn) {}

    record JobView(
            String id,
            String name,
            Instant receivedAt,
            State state,
            JobTicket ticket,
            Set<Integer> printed,
            List<StretchView> stretches) {}

    @GetMapping("/")
    PrinterView printer() {
        return view(press.printer());
    }

    @PutMapping("/roll")
    PrinterView load(@Valid @RequestBody WantedRoll roll) {
        return view(press.load(roll.width(), roll.paper(), roll.length()));
    }

    @PostMapping("/inks/fill")
    PrinterView fill() {
        return view(press.fill());
    }

    @PutMapping("/speed")
    PrinterView setSpeed(@Valid @RequestBody WantedSpeed speed) {
        return view(press.setSpeed(speed.millimetresPerSecond()));
    }

    /** Simulated: the paper jams at once. */
    @PostMapping("/jam")
    PrinterView jam() {
        return view(press.jam());
    }

    @PostMapping("/jam/clear")
    PrinterView clearJam() {
        return view(press.clearJam());
    }

    @GetMapping("/jobs")
    List<JobView> jobs() {
        return press.all().stream()
                .sorted(Comparator.comparing(PrintJob::receivedAt).reversed())
                .map(this::view)
                .toList();
    }

    @GetMapping("/jobs/{id}")
    JobView job(@PathVariable String id) {
        return view(press.get(id));
    }

    /** 201 for a new job, 200 with the one that is there for a key that has been used for the very same ticket. */
    @PostMapping("/jobs")
    ResponseEntity<JobView> add(@RequestHeader("Idempotency-Key") String key, @Valid @RequestBody JobTicket ticket) {
        requireSound(ticket);
        String asked = digest(ticket.toString());
        synchronized (this) {
            PrintJob known = press.withKey(key).orElse(null);
            if (known == null) {
                return ResponseEntity.status(HttpStatus.CREATED)
                        .body(view(press.keep(new PrintJob(
                                UUID.randomUUID().toString(),
                                key,
                                asked,
                                ticket,
                                clock.instant(),
                                State.RECEIVING,
                                Set.of(),
                                List.of()))));
            }
            if (!known.asked().equals(asked)) {
                throw new RefusedException(
                        HttpStatus.CONFLICT, "key-used", "This Idempotency-Key has sent another job.");
            }
            return ResponseEntity.ok(view(known));
        }
    }

    private static void requireSound(JobTicket ticket) {
        List<Piece> all = ticket.pages().stream()
                .map(JobTicket.Page::pieces)
                .flatMap(Collection::stream)
                .toList();
        if (all.stream().map(Piece::number).distinct().count() != all.size()) {
            throw RefusedException.invalid("same-number", "Two pieces have one number.");
        }
        for (JobTicket.Page page : ticket.pages()) {
            for (Piece piece : page.pieces()) {
                if (piece.x() + piece.width() > ticket.width() + 0.1 || piece.end() > page.length() + 0.1) {
                    throw RefusedException.invalid("off-the-paper", piece.name() + " lies beyond its page.");
                }
                if (piece.height() > LONGEST) {
                    throw RefusedException.invalid("too-long", piece.name() + " is longer than any roll.");
                }
            }
        }
    }

    /** The job's pages. Sent again they are taken again, until printing has begun. */
    @PutMapping(path = "/jobs/{id}/document", consumes = MediaType.APPLICATION_PDF_VALUE)
    JobView take(@PathVariable String id, HttpServletRequest request) throws IOException {
        PrintJob job = press.get(id);
        if (job.state() != State.RECEIVING) {
            return view(job);
        }
        Path arriving = spool.folder(id).resolve("arriving-" + UUID.randomUUID());
        try (InputStream in = request.getInputStream()) {
            Files.copy(in, arriving);
            Spool.require(arriving, job.ticket());
            Files.move(arriving, spool.document(id), StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(arriving);
        }
        return view(press.queue(id));
    }

    @PostMapping("/jobs/{id}/cancel")
    JobView cancel(@PathVariable String id) {
        press.get(id);
        return view(press.cancel(id));
    }

    @GetMapping(path = "/jobs/{id}/stretches/{number}.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    Resource pdf(@PathVariable String id, @PathVariable int number) {
        return file(spool.pdf(press.get(id).id(), number));
    }

    @GetMapping(path = "/jobs/{id}/stretches/{number}.png", produces = MediaType.IMAGE_PNG_VALUE)
    Resource picture(@PathVariable String id, @PathVariable int number) {
        return file(spool.picture(press.get(id).id(), number));
    }

    private static Resource file(Path path) {
        if (!Files.exists(path)) {
            throw RefusedException.notFound("stretch, or not drawn yet");
        }
        return new FileSystemResource(path);
    }

    private PrinterView view(Printer printer) {
        return new PrinterView(
                "Simulated roll printer",
                printer.roll(),
                printer.inks(),
                printer.speed(),
                press.stop().orElse(null),
                press.current().map(PrintJob::id).orElse(null));
    }

    private JobView view(PrintJob job) {
        return new JobView(
                job.id(),
                job.ticket().name(),
                job.receivedAt(),
                job.state(),
                job.ticket(),
                job.wholeNow(),
                job.stretches().stream()
                        .map(stretch -> new StretchView(
                                stretch.number(),
                                stretch.page(),
                                stretch.roll(),
                                stretch.from(),
                                stretch.until(),
                                stretch.at(),
                                stretch.end(),
                                stretch.whole(),
                                Files.exists(spool.picture(job.id(), stretch.number()))))
                        .toList());
    }

    private static String digest(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException(missing);
        }
    }
}
