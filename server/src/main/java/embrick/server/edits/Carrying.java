package embrick.server.edits;

import embrick.core.framing.Carry;
import embrick.core.framing.Framing;
import embrick.core.plan.Planning;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.framings.FramingService;
import embrick.server.framings.FramingView;
import embrick.server.framings.OverrideService;
import embrick.server.framings.OverrideView;
import embrick.server.framings.PicturePlanner;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Works out what would change if one picture's framing were carried to others. It changes nothing. */
@Service
@Transactional(readOnly = true)
class Carrying {
    private final FramingService framings;
    private final OverrideService overrides;
    private final OriginalRepository originals;
    private final TicketService tickets;
    private final PicturePlanner planner;
    private final StoredJson json;

    Carrying(
            FramingService framings,
            OverrideService overrides,
            OriginalRepository originals,
            TicketService tickets,
            PicturePlanner planner,
            StoredJson json) {
        this.framings = framings;
        this.overrides = overrides;
        this.originals = originals;
        this.tickets = tickets;
        this.planner = planner;
        this.json = json;
    }

    /** What is carried: parts of the framing, and the override's sharpening. */
    enum Carried {
        PLACE,
        TILT,
        TURN,
        SHARPENING
    }

    /** One picture, before and after. */
    record Change(
            Original original,
            FramingView framing,
            FramingDocument framingAfter,
            OverrideView override,
            OverrideDocument overrideAfter,
            Planning before,
            Planning after) {
        boolean isNone() {
            return framing.document().equals(framingAfter)
                    && override.document().equals(overrideAfter);
        }
    }

    List<Change> preview(UUID ticketId, UUID fromId, List<UUID> to, Set<Carried> parts) {
        TicketEntity entity = tickets.get(ticketId);
        TicketDocument ticket = json.ticket(entity.document());
        String shape = TicketDocuments.toTicket(ticket).shape().key();
        List<UUID> ids = new ArrayList<>(to);
        ids.add(fromId);
        List<Original> pictures = originals.requireOf(entity.jobId(), ids);
        Map<UUID, FramingView> framed = framings.now(shape, ids);
        Map<UUID, OverrideView> overridden = overrides.now(ticketId, ids);
        Framing from = framed.get(fromId).document().toFraming();
        OverrideDocument fromOverride = overridden.get(fromId).document();
        List<Change> changes = new ArrayList<>();
        for (Original picture : pictures) {
            if (picture.id().equals(fromId) || picture.facts().isEmpty()) {
                continue;
            }
            FramingView framing = framed.get(picture.id());
            OverrideView override = overridden.get(picture.id());
            FramingDocument after =
                    FramingDocument.of(Carry.onto(framing.document().toFraming(), from, framingParts(parts)));
            OverrideDocument overrideAfter = parts.contains(Carried.SHARPENING)
                    ? override.document().withSharpening(fromOverride.sharpening())
                    : override.document();
            changes.add(new Change(
                    picture,
                    framing,
                    after,
                    override,
                    overrideAfter,
                    plan(picture, ticket, override.document(), framing.document()),
                    plan(picture, ticket, overrideAfter, after)));
        }
        return changes;
    }

    private Planning plan(Original picture, TicketDocument ticket, OverrideDocument override, FramingDocument framing) {
        return planner.plan(
                picture,
                json.facts(picture.facts().orElseThrow()),
                TicketDocuments.toTicket(override.appliedTo(ticket)),
                framing.toFraming());
    }

    private static Set<Carry.Part> framingParts(Set<Carried> parts) {
        Set<Carry.Part> framing = EnumSet.noneOf(Carry.Part.class);
        for (Carried part : parts) {
            switch (part) {
                case PLACE -> framing.add(Carry.Part.PLACE);
                case TILT -> framing.add(Carry.Part.TILT);
                case TURN -> framing.add(Carry.Part.TURN);
                case SHARPENING -> {
                    // An override, not a part of the framing.
                }
            }
        }
        return framing;
    }
}
