package embrick.server.layouts;

import embrick.server.layouts.Layouts.Laid;
import embrick.server.layouts.Layouts.Layout;
import embrick.server.layouts.Layouts.Page;
import embrick.server.problems.ProblemException;
import embrick.server.rolls.RollClient;
import embrick.server.rolls.RollClient.Job;
import embrick.server.rolls.RollClient.Ticket;
import embrick.server.rolls.RollClient.TicketPiece;
import embrick.server.rolls.RollMemo;
import embrick.server.rolls.RollProblems;
import embrick.server.storage.DecodeWatch;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.springframework.stereotype.Component;

/** Sends pieces as they are laid to the roll printer, once however often it is asked. */
@Component
class LayoutPrinting {
    private final LayoutPdf pdf;
    private final RollClient roll;
    private final DecodeWatch process;

    LayoutPrinting(LayoutPdf pdf, RollClient roll, DecodeWatch process) {
        this.pdf = pdf;
        this.roll = roll;
        this.process = process;
    }

    /**
     * @param key of the caller's: the same one is the same job
     * @throws ProblemException if the printer is away or refuses it; asked again, it goes on
     */
    String print(String key, Layout layout, LayoutWish wish) {
        Job job = RollProblems.of(roll, () -> roll.add(key, ticket(layout, wish)));
        if (job.state() == RollClient.State.RECEIVING) {
            send(job, layout, wish);
        }
        return job.id();
    }

    private void send(Job job, Layout layout, LayoutWish wish) {
        Path file = null;
        try {
            file = Files.createTempFile(process.scratch(), "roll", ".pdf");
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
                pdf.write("Embrick, pieces laid on paper", layout, wish.gap(), out);
            }
            Path whole = file;
            RollProblems.of(roll, () -> roll.send(job.id(), whole));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } finally {
            delete(file);
        }
    }

    private static void delete(Path file) {
        try {
            if (file != null) {
                Files.deleteIfExists(file);
            }
        } catch (IOException swept) {
            // It is cleared with others at the next start.
        }
    }

    private static Ticket ticket(Layout layout, LayoutWish wish) {
        List<RollMemo.Of> known = layout.pages().stream()
                .flatMap(page -> page.placed().stream())
                .map(placed -> new RollMemo.Of(
                        placed.item().number(),
                        layout.laid().get(placed.item().number()).copy().piece().originalId(),
                        placed.turned()))
                .toList();
        return new Ticket(
                known.size() + (known.size() == 1 ? " piece" : " pieces"),
                "",
                wish.width(),
                layout.pages().stream().map(page -> page(page, layout)).toList(),
                new RollMemo(wish.runIds(), known).written());
    }

    private static RollClient.Page page(Page page, Layout layout) {
        return new RollClient.Page(
                Layouts.millimetres(page.height()),
                page.placed().stream()
                        .map(placed -> new TicketPiece(
                                placed.item().number(),
                                name(layout.laid().get(placed.item().number())),
                                Layouts.millimetres(placed.x()),
                                Layouts.millimetres(placed.y()),
                                Layouts.millimetres(placed.width()),
                                Layouts.millimetres(placed.height())))
                        .toList());
    }

    private static String name(Laid laid) {
        return laid.copy().piece().name() + (laid.parts() > 1 ? ", part " + laid.part() + " of " + laid.parts() : "");
    }
}
