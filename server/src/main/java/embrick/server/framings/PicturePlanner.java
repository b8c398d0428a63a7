package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.names.FileNames;
import embrick.core.pixels.ColourModel;
import embrick.core.plan.CaptionText;
import embrick.core.plan.MeasuredWords;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Caption;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Ticket;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.WordMeasure;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Plans one picture of a job, with the words of its caption where the ticket asks for one. */
@Component
public class PicturePlanner {
    private final OriginalRepository originals;
    private final WordMeasure words;
    private final PictureProfiles profiles;

    PicturePlanner(OriginalRepository originals, WordMeasure words, PictureProfiles profiles) {
        this.originals = originals;
        this.words = words;
        this.profiles = profiles;
    }

    /**
     * A ticket for one job's pictures.
     *
     * @param inOrder their numbers, where its caption asks for them
     * @param assumed the profiles of pictures that say nothing
     */
    public record ForJob(Ticket ticket, List<UUID> inOrder, Map<ColourModel, String> assumed) {
        ForJob with(Ticket other) {
            return new ForJob(other, inOrder, assumed);
        }
    }

    /** Reads once what all plans of a job's pictures under a ticket need. */
    public ForJob forJob(UUID jobId, Ticket ticket) {
        boolean isNumbered = caption(ticket).stream()
                .flatMap(caption -> caption.parts().stream())
                .anyMatch(Caption.Part.Number.class::isInstance);
        return new ForJob(ticket, isNumbered ? originals.idsInOrder(jobId) : List.of(), profiles.assumed(jobId));
    }

    public Planning plan(Original original, SourceFacts facts, Ticket ticket, Framing framing) {
        return plan(original, facts, forJob(original.jobId(), ticket), framing);
    }

    public Planning plan(Original original, SourceFacts facts, ForJob ordered, Framing framing) {
        Optional<Problem> unusable = profiles.problem(ordered.ticket().colour());
        if (unusable.isPresent()) {
            return new Planning.Refused(List.of(unusable.get()));
        }
        Optional<CaptionText> text = caption(ordered.ticket())
                .map(caption -> caption.textFor(new Caption.Filling(
                        FileNames.stem(original.path()),
                        original.said().title().orElse(""),
                        ordered.inOrder().indexOf(original.id()) + 1)))
                .map(words::measured);
        return Planner.plan(
                profiles.known(original.withStatedPpi(facts), original.profileDigest(), ordered.assumed()),
                ordered.ticket(),
                framing,
                new MeasuredWords(
                        text, ordered.ticket().mark().flatMap(Mark::words).map(words::measured)));
    }

    private static Optional<Caption> caption(Ticket ticket) {
        return ticket.edges() instanceof Edges.Border border ? border.caption() : Optional.empty();
    }
}
