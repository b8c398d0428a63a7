package embrick.server.kept;

import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.documents.KeptDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps things under names, no two of a kind alike whatever their letters' case, and lays them over tickets. */
@Service
@Transactional
public class KeptShelf {
    private final KeptRepository kept;
    private final TicketService tickets;
    private final StoredJson json;
    private final Clock clock;

    KeptShelf(KeptRepository kept, TicketService tickets, StoredJson json, Clock clock) {
        this.kept = kept;
        this.tickets = tickets;
        this.json = json;
        this.clock = clock;
    }

    /** What is kept of a kind, by its names. */
    @Transactional(readOnly = true)
    public List<Kept> all(KeptKind kind) {
        return kept.findByKindOrderByName(kind.word());
    }

    @Transactional(readOnly = true)
    public Kept get(UUID id) {
        return kept.findById(id).orElseThrow(() -> ProblemException.notFound("kept part"));
    }

    /** A ticket with something kept laid over it; neither is changed. */
    @Transactional(readOnly = true)
    public TicketDocument laidOver(UUID id, TicketDocument ticket) {
        Kept one = get(id);
        return json.laidOver(one.name(), json.kept(one.document()), ticket);
    }

    /** @throws ProblemException if it cannot work on any ticket, or its name is taken */
    public Kept keep(String name, KeptDocument document) {
        requireWorkable(name, document);
        requireFree(KeptKind.of(document), name, Optional.empty());
        return kept.saveAndFlush(new Kept(
                Ids.next(), KeptKind.of(document).word(), name.strip(), json.write(document), clock.instant()));
    }

    public Kept change(UUID id, long expectedVersion, String name, KeptDocument document) {
        Kept one = get(id);
        KeptKind kind = KeptKind.of(document);
        if (!one.kind().equals(kind.word())) {
            throw ProblemException.invalid(
                    "other-kind",
                    "document",
                    "“" + one.name() + "” is a " + one.kind() + ", and cannot become a " + kind.word() + ".",
                    "Save it under a name of its own.");
        }
        if (one.version() != expectedVersion) {
            throw ProblemException.stale(kind.called());
        }
        requireWorkable(name, document);
        requireFree(kind, name, Optional.of(id));
        one.replace(name.strip(), json.write(document), clock.instant());
        return kept.saveAndFlush(one);
    }

    public void remove(UUID id) {
        kept.delete(get(id));
    }

    private void requireWorkable(String name, KeptDocument document) {
        tickets.requireWorkable(json.laidOver(name.strip(), document, TicketDocuments.standard()));
    }

    private void requireFree(KeptKind kind, String name, Optional<UUID> except) {
        Optional<Kept> known = kept.findByKindAndNameIgnoreCase(kind.word(), name.strip());
        if (known.isPresent() && !known.map(Kept::id).equals(except)) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    List.of(new Problem(
                            "name-taken",
                            "name",
                            "There is a " + kind.called() + " “" + known.get().name() + "” already.",
                            "Choose another name, or delete that one first.")));
        }
    }
}
