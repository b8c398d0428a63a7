package embrick.server.edits;

import embrick.server.Ids;
import embrick.server.Locks;
import embrick.server.documents.EditDocument;
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
 * The only way in which framings and overrides change.
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
    private final TicketService tickets;
    private final StoredJson json;
    private final Locks locks;
    private final Clock clock;

    EditService(
            EditRepository edits,
            FramingService framings,
            OverrideService overrides,
            OriginalRepository originals,
            TicketService tickets,
            StoredJson json,
            Locks locks,
            Clock clock) {
        this.edits = edits;
        this.framings = framings;
        this.overrides = overrides;
        this.originals = originals;
        this.tickets = tickets;
        this.json = json;
        this.locks = locks;
        this.clock = clock;
    }

    /** What an edit, its undoing or its redoing left behind. */
    record Outcome(List<FramingView> framings, List<OverrideView> overrides) {}

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
    public Outcome apply(UUID jobId, String words, List<FramingWish> framed, List<OverrideWish> overridden) {
        lock(jobId);
        Map<UUID, Original> pictures = pictures(jobId, framed, overridden);
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
        EditDocument document = new EditDocument(framingSteps, overrideSteps);
        remember(jobId, words, document);
        return set(pictures.keySet(), document, FramingStep::after, OverrideStep::after);
    }

    /** @param editId the edit that was seen as the last one; another window's later edit is not undone unseen */
    Outcome undo(UUID jobId, UUID editId) {
        lock(jobId);
        EditEntity edit = seen(history(jobId).undo(), editId);
        edit.undo();
        edits.saveAndFlush(edit);
        EditDocument document = json.edit(edit.document());
        return set(present(jobId, document), document, FramingStep::before, OverrideStep::before);
    }

    Outcome redo(UUID jobId, UUID editId) {
        lock(jobId);
        EditEntity edit = seen(history(jobId).redo(), editId);
        edit.redo();
        edits.saveAndFlush(edit);
        EditDocument document = json.edit(edit.document());
        return set(present(jobId, document), document, FramingStep::after, OverrideStep::after);
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

    private Map<UUID, Original> pictures(UUID jobId, List<FramingWish> framed, List<OverrideWish> overridden) {
        Set<UUID> ids = new LinkedHashSet<>();
        framed.forEach(change -> ids.add(change.originalId()));
        overridden.forEach(change -> ids.add(change.originalId()));
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
    private Outcome set(
            Set<UUID> present,
            EditDocument document,
            Function<FramingStep, FramingState> framing,
            Function<OverrideStep, OverrideDocument> override) {
        List<FramingView> framed = new ArrayList<>();
        byKey(of(present, document.framings(), FramingStep::originalId), FramingStep::shapeKey)
                .forEach((shape, steps) -> {
                    Map<UUID, FramingState> states = new HashMap<>();
                    steps.forEach(step -> states.put(step.originalId(), framing.apply(step)));
                    framed.addAll(framings.put(shape, states));
                });
        List<OverrideView> overridden = new ArrayList<>();
        byKey(of(present, document.overrides(), OverrideStep::originalId), OverrideStep::ticketId)
                .forEach((ticketId, steps) -> {
                    if (!tickets.exists(ticketId)) {
                        return;
                    }
                    Map<UUID, OverrideDocument> documents = new HashMap<>();
                    steps.forEach(step -> documents.put(step.originalId(), override.apply(step)));
                    overridden.addAll(overrides.put(ticketId, documents));
                });
        return new Outcome(framed, overridden);
    }

    private Set<UUID> present(UUID jobId, EditDocument document) {
        Set<UUID> ids = new LinkedHashSet<>();
        document.framings().forEach(step -> ids.add(step.originalId()));
        document.overrides().forEach(step -> ids.add(step.originalId()));
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
