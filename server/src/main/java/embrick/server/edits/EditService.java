package embrick.server.edits;

import embrick.server.Ids;
import embrick.server.Locks;
import embrick.server.documents.EditDocument;
import embrick.server.documents.EditDocument.ExclusionStep;
import embrick.server.documents.EditDocument.FramingState;
import embrick.server.documents.EditDocument.FramingStep;
import embrick.server.documents.EditDocument.OverrideStep;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.StoredJson;
import embrick.server.framings.FramingService;
import embrick.server.framings.FramingView;
import embrick.server.framings.OverrideService;
import embrick.server.framings.OverrideView;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.originals.PileOrders;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The only way in which framings, overrides and the order of pictures change, and exclusions that can be undone.
 *
 * <p>Edits of one job follow one another, so that the last one that is not undone is always the last change there was, and
 * undoing it puts back exactly what it found. Each change says which version it was made from: a window that has not seen
 * another's edit is told, and nothing is changed.
 */
@Service
@Transactional
public class EditService {
    /** Edits kept to be undone. */
    private static final int KEPT = 1000;

    private final EditRepository edits;
    private final FramingService framings;
    private final OverrideService overrides;
    private final OriginalRepository originals;
    private final PileOrders orders;
    private final TicketService tickets;
    private final StoredJson json;
    private final Locks locks;
    private final Clock clock;

    EditService(
            EditRepository edits,
            FramingService framings,
            OverrideService overrides,
            OriginalRepository originals,
            PileOrders orders,
            TicketService tickets,
            StoredJson json,
            Locks locks,
            Clock clock) {
        this.edits = edits;
        this.framings = framings;
        this.overrides = overrides;
        this.originals = originals;
        this.orders = orders;
        this.tickets = tickets;
        this.json = json;
        this.locks = locks;
        this.clock = clock;
    }

    /** What an edit, its undoing or its redoing left behind. */
    record Outcome(List<FramingView> framings, List<OverrideView> overrides, boolean havePicturesChanged) {}

    /** What can be undone and redone. */
    record History(Optional<EditEntity> undo, Optional<EditEntity> redo) {}

    @Transactional(readOnly = true)
    History history(UUID jobId) {
        return new History(
                edits.findFirstByJobIdAndUndoneFalseOrderByPositionDesc(jobId),
                edits.findFirstByJobIdAndUndoneTrueOrderByPositionAsc(jobId));
    }

    /**
     * Does all of an edit or nothing.
     *
     * @throws ProblemException if a picture is not of this job, or was changed since it was looked at
     */
    public Outcome apply(UUID jobId, String words, Wishes wishes) {
        lock(jobId);
        Map<UUID, Original> pictures = pictures(jobId, wishes);
        EditDocument document = new EditDocument(
                framingSteps(wishes.framings(), pictures),
                overrideSteps(jobId, wishes.overrides(), pictures),
                exclusionSteps(wishes.exclusions(), pictures),
                wishes.pileOrder()
                        .map(wish -> orders.step(
                                jobId,
                                wish.by(),
                                wish.moved() == null ? List.of() : wish.moved(),
                                Optional.ofNullable(wish.before()))));
        remember(jobId, words, document);
        return set(jobId, pictures.keySet(), document, Direction.FORWARD);
    }

    private List<FramingStep> framingSteps(List<FramingWish> framed, Map<UUID, Original> pictures) {
        List<FramingStep> framingSteps = new ArrayList<>();
        byKey(framed, wish -> FramingService.shapeKey(wish.shapeKey())).forEach((shape, changes) -> {
            Map<UUID, FramingView> now = framings.now(
                    shape, changes.stream().map(FramingWish::originalId).toList());
            for (FramingWish change : changes) {
                FramingView before = now.get(change.originalId());
                requireSeen(before.version(), change.version(), pictures.get(change.originalId()));
                FramingDocument exact = FramingDocument.of(change.document().toFraming());
                framingSteps.add(new FramingStep(
                        change.originalId(),
                        shape,
                        new FramingState(before.document(), before.accepted()),
                        new FramingState(exact, change.accepted())));
            }
        });
        return framingSteps;
    }

    private List<OverrideStep> overrideSteps(UUID jobId, List<OverrideWish> overridden, Map<UUID, Original> pictures) {
        List<OverrideStep> overrideSteps = new ArrayList<>();
        byKey(overridden, OverrideWish::ticketId).forEach((ticketId, changes) -> {
            requireTicketOf(jobId, ticketId);
            Map<UUID, OverrideView> now = overrides.now(
                    ticketId, changes.stream().map(OverrideWish::originalId).toList());
            for (OverrideWish change : changes) {
                OverrideView before = now.get(change.originalId());
                requireSeen(before.version(), change.version(), pictures.get(change.originalId()));
                overrideSteps.add(
                        new OverrideStep(change.originalId(), ticketId, before.document(), change.document()));
            }
        });
        return overrideSteps;
    }

    private static List<ExclusionStep> exclusionSteps(List<ExclusionWish> excluded, Map<UUID, Original> pictures) {
        return excluded.stream()
                .map(wish -> new ExclusionStep(
                        wish.originalId(), pictures.get(wish.originalId()).isLeftOut(), wish.leftOut()))
                .toList();
    }

    /** @param editId the edit that was seen as the last one; another window's later edit is not undone unseen */
    Outcome undo(UUID jobId, UUID editId) {
        lock(jobId);
        EditEntity edit = seen(history(jobId).undo(), editId);
        edit.undo();
        edits.saveAndFlush(edit);
        EditDocument document = json.edit(edit.document());
        return set(jobId, present(jobId, document), document, Direction.BACK);
    }

    Outcome redo(UUID jobId, UUID editId) {
        lock(jobId);
        EditEntity edit = seen(history(jobId).redo(), editId);
        edit.redo();
        edits.saveAndFlush(edit);
        EditDocument document = json.edit(edit.document());
        return set(jobId, present(jobId, document), document, Direction.FORWARD);
    }

    /** Edits of one job wait for one another. */
    private void lock(UUID jobId) {
        locks.hold(Storage.digestOfText("edits of " + jobId));
        if (edits.holdJob(jobId).isEmpty()) {
            throw ProblemException.notFound("job");
        }
    }

    private static EditEntity seen(Optional<EditEntity> last, UUID editId) {
        return last.filter(edit -> edit.id().equals(editId)).orElseThrow(() -> ProblemException.stale("framing"));
    }

    private Map<UUID, Original> pictures(UUID jobId, Wishes wishes) {
        Set<UUID> ids = new LinkedHashSet<>();
        wishes.framings().forEach(change -> ids.add(change.originalId()));
        wishes.overrides().forEach(change -> ids.add(change.originalId()));
        wishes.exclusions().forEach(change -> ids.add(change.originalId()));
        return originals.requireOf(jobId, ids).stream().collect(Collectors.toMap(Original::id, Function.identity()));
    }

    private void requireTicketOf(UUID jobId, UUID ticketId) {
        if (!tickets.get(ticketId).jobId().equals(jobId)) {
            throw ProblemException.notFound("ticket");
        }
    }

    private static void requireSeen(long now, long seen, Original picture) {
        if (now != seen) {
            throw ProblemException.stale("framing of " + picture.path());
        }
    }

    private static <K, T> Map<K, List<T>> byKey(List<T> changes, Function<T, K> key) {
        return changes.stream().collect(Collectors.groupingBy(key, LinkedHashMap::new, Collectors.toList()));
    }

    private void remember(UUID jobId, String words, EditDocument document) {
        edits.forgetUndone(jobId);
        long position = edits.findFirstByJobIdAndUndoneFalseOrderByPositionDesc(jobId)
                        .map(EditEntity::position)
                        .orElse(0L)
                + 1;
        edits.forgetUpTo(jobId, position - KEPT);
        edits.saveAndFlush(new EditEntity(Ids.next(), jobId, position, words, json.write(document), clock.instant()));
    }

    /** What was deleted after an edit, ticket or picture, is left out of its undoing. */
    private Outcome set(UUID jobId, Set<UUID> present, EditDocument document, Direction to) {
        List<FramingView> framed = new ArrayList<>();
        byKey(of(present, document.framings(), FramingStep::originalId), FramingStep::shapeKey)
                .forEach((shape, steps) -> {
                    Map<UUID, FramingState> states = new HashMap<>();
                    steps.forEach(step -> states.put(step.originalId(), to.of(step.before(), step.after())));
                    framed.addAll(framings.put(shape, states));
                });
        List<OverrideView> overridden = new ArrayList<>();
        byKey(of(present, document.overrides(), OverrideStep::originalId), OverrideStep::ticketId)
                .forEach((ticketId, steps) -> {
                    if (!tickets.exists(ticketId)) {
                        return;
                    }
                    Map<UUID, OverrideDocument> documents = new HashMap<>();
                    steps.forEach(step -> documents.put(step.originalId(), to.of(step.before(), step.after())));
                    overridden.addAll(overrides.put(ticketId, documents));
                });
        boolean hasExcluded = exclude(jobId, of(present, document.exclusions(), ExclusionStep::originalId), to);
        document.pileOrder().ifPresent(step -> {
            Map<UUID, String> keys = new HashMap<>();
            step.keys().forEach(key -> keys.put(key.originalId(), to.of(key.before(), key.after())));
            orders.set(jobId, to.of(step.before(), step.after()), keys);
        });
        return new Outcome(
                framed, overridden, hasExcluded || document.pileOrder().isPresent());
    }

    private boolean exclude(UUID jobId, List<ExclusionStep> steps, Direction to) {
        Map<UUID, Boolean> wanted = new HashMap<>();
        steps.forEach(step -> wanted.put(step.originalId(), to.of(step.before(), step.after())));
        originals.findByJobIdAndIdIn(jobId, wanted.keySet()).forEach(one -> one.leaveOut(wanted.get(one.id())));
        return !wanted.isEmpty();
    }

    /** Whether an edit is done or undone. */
    private enum Direction {
        FORWARD,
        BACK;

        <T> T of(T before, T after) {
            return this == FORWARD ? after : before;
        }
    }

    private Set<UUID> present(UUID jobId, EditDocument document) {
        Set<UUID> ids = new LinkedHashSet<>();
        document.framings().forEach(step -> ids.add(step.originalId()));
        document.overrides().forEach(step -> ids.add(step.originalId()));
        document.exclusions().forEach(step -> ids.add(step.originalId()));
        return originals.findByJobIdAndIdIn(jobId, ids).stream()
                .map(Original::id)
                .collect(Collectors.toSet());
    }

    private static <T> List<T> of(Set<UUID> present, List<T> steps, Function<T, UUID> picture) {
        return steps.stream()
                .filter(step -> present.contains(picture.apply(step)))
                .toList();
    }
}
