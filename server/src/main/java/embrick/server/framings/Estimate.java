package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.names.FileNames;
import embrick.core.names.NameAllotment;
import embrick.core.plan.Planning;
import embrick.core.problem.Problem;
import embrick.core.ticket.Ticket;
import embrick.server.backgrounds.BackgroundKey;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.originals.Original;
import embrick.server.originals.Original.State;
import embrick.server.originals.OriginalRepository;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** What a ticket means for a whole pile: a plan and a name for each picture. Runs are made of the same. */
@Service
public class Estimate {
    private final OriginalRepository originals;
    private final FramingService framings;
    private final OverrideService overrides;
    private final PicturePlanner planner;
    private final StoredJson json;
    private final BackgroundKey keys;
    private final Clock clock;

    Estimate(
            OriginalRepository originals,
            FramingService framings,
            OverrideService overrides,
            PicturePlanner planner,
            StoredJson json,
            BackgroundKey keys,
            Clock clock) {
        this.keys = keys;
        this.overrides = overrides;
        this.planner = planner;
        this.originals = originals;
        this.framings = framings;
        this.json = json;
        this.clock = clock;
    }

    /**
     * A ticket, stored or not.
     *
     * @param ticketId whose overrides hold; empty for none
     */
    public record Ordered(TicketDocument document, Optional<UUID> ticketId) {
        Ticket ticketFor(OverrideDocument own) {
            return TicketDocuments.toTicket(own.appliedTo(document));
        }
    }

    private static final Problem NOT_ACCEPTED = new Problem(
            "background-not-accepted",
            "background",
            "its grown background has not been accepted yet",
            "Look at it in the proof of this picture and accept it there, or choose another fill.");

    /** Letters of a day in a moment, {@code 2026-08-14}. */
    private static final int DAY_LETTERS = 10;

    /** One picture: its plan, or why it has none. */
    public record Entry(Original original, Planned planned, String name, int copies) {}

    /** What planning one original came to. */
    public sealed interface Planned {
        /** @param held what keeps it from being made, although it is planned; empty for nothing */
        record Plannable(Planning planning, Optional<Problem> held) implements Planned {}

        /** The file itself cannot be used. */
        record Unusable(Problem problem) implements Planned {}
    }

    /** All pictures with their names, or why the names cannot be given. */
    public record Whole(List<Entry> entries, NameAllotment.Allotment names) {}

    /**
     * Plans every picture of a job that is not left out; files that are not for Embrick are passed over.
     *
     * @param only the pictures wanted; empty for all, an empty list for none
     */
    public Whole of(UUID jobId, String jobName, Ordered ordered, Optional<List<UUID>> only) {
        TicketDocument document = ordered.document();
        Ticket ticket = TicketDocuments.toTicket(document);
        Map<UUID, OverrideDocument> own =
                ordered.ticketId().map(overrides::byOriginal).orElse(Map.of());
        Map<UUID, Framing> framed = framings.byOriginal(jobId, ticket.shape().key());
        only.ifPresent(ids -> originals.requireOf(jobId, ids));
        List<Original> pictures =
                only.map(ids -> originals.inOrder(jobId, ids)).orElseGet(() -> originals.inOrder(jobId)).stream()
                        .filter(original -> original.state() != State.NOT_FOR_EMBRICK)
                        .filter(original -> !original.isLeftOut())
                        .toList();
        PicturePlanner.ForJob forAll = planner.forJob(jobId, ticket);
        List<Planned> planned = new ArrayList<>();
        List<NameAllotment.Wanted> wanted = new ArrayList<>();
        for (Original picture : pictures) {
            PicturePlanner.ForJob forPicture =
                    own.containsKey(picture.id()) ? forAll.with(ordered.ticketFor(own.get(picture.id()))) : forAll;
            Planned plan = accepted(
                    plan(picture, forPicture, framed.getOrDefault(picture.id(), Framing.centred())),
                    picture,
                    own.getOrDefault(picture.id(), OverrideDocument.none()));
            planned.add(plan);
            int[] size = sheet(plan);
            wanted.add(new NameAllotment.Wanted(
                    picture.path(),
                    TicketDocuments.sizeText(document, size[0], size[1]),
                    size[0] + "x" + size[1],
                    picture.said().taken().map(moment -> moment.substring(0, DAY_LETTERS)),
                    own.containsKey(picture.id())
                            ? own.get(picture.id()).appliedTo(document).copies()
                            : document.copies(),
                    FileNames.clean(ticket.file().suffixFor(picture.path()))));
        }
        NameAllotment.Allotment names = NameAllotment.allot(
                ticket.names(),
                new NameAllotment.Setting(
                        jobName, document.name(), TicketDocuments.barText(document), LocalDate.now(clock)),
                wanted);
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < pictures.size(); i++) {
            String name = names instanceof NameAllotment.Allotment.Allotted allotted
                    ? allotted.names().get(i)
                    : "";
            entries.add(new Entry(
                    pictures.get(i), planned.get(i), name, wanted.get(i).copies()));
        }
        return new Whole(entries, names);
    }

    /** Plans one picture again, for instance after an intact copy has taken its place. */
    public Planned plan(Original original, Ordered ordered) {
        OverrideDocument own = ordered.ticketId()
                .map(id -> overrides
                        .now(id, List.of(original.id()))
                        .get(original.id())
                        .document())
                .orElse(OverrideDocument.none());
        Ticket ticket = ordered.ticketFor(own);
        PicturePlanner.ForJob forPicture = planner.forJob(original.jobId(), ticket);
        Framing framing = framings.of(original.id(), ticket.shape().key(), Framing.centred());
        return accepted(plan(original, forPicture, framing), original, own);
    }

    /** A background that nobody has looked at is not made. */
    private Planned accepted(Planned planned, Original original, OverrideDocument own) {
        if (planned instanceof Planned.Plannable(Planning.Ready ready, Optional<Problem> _)
                && ready.plan().growing().isPresent()
                && !isAccepted(own, keys.of(original.digest(), ready.plan()))) {
            return new Planned.Plannable(ready, Optional.of(NOT_ACCEPTED));
        }
        return planned;
    }

    private static boolean isAccepted(OverrideDocument own, String key) {
        return own.background() != null && key.equals(own.background().accepted());
    }

    private Planned plan(Original original, PicturePlanner.ForJob ticket, Framing framing) {
        return original.isForPieces()
                ? new Planned.Plannable(
                        planner.plan(original, json.facts(original.facts().orElseThrow()), ticket, framing),
                        Optional.empty())
                : new Planned.Unusable(original.problem()
                        .orElseThrow(
                                () -> new IllegalStateException(original.path() + " has neither facts nor problem")));
    }

    private static int[] sheet(Planned planned) {
        return planned instanceof Planned.Plannable plannable && plannable.planning() instanceof Planning.Ready ready
                ? new int[] {ready.plan().total().width(), ready.plan().total().height()}
                : new int[] {0, 0};
    }
}
