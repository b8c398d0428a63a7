package embrick.core.ticket;

import embrick.core.metadata.MetadataChoice;
import embrick.core.units.Resolution;
import java.util.Optional;

/** A ticket while parts of it are exchanged. */
final class TicketDraft {
    Size size;
    Turn turn;
    Fit fit;
    Edges edges;
    Resolution ppi;
    final ViewingDistance viewing;
    ResamplingChoice resampling;
    Sharpening sharpening;
    OutputColour colour;
    Rounding rounding;
    FileFormat file;
    MetadataChoice metadata;
    final NamePattern names;
    Optional<Mark> mark;
    Optional<ProductRule> product;
    int attempt;

    TicketDraft(Ticket ticket) {
        size = ticket.size();
        turn = ticket.turn();
        fit = ticket.fit();
        edges = ticket.edges();
        ppi = ticket.ppi();
        viewing = ticket.viewing();
        resampling = ticket.resampling();
        sharpening = ticket.sharpening();
        colour = ticket.colour();
        rounding = ticket.rounding();
        file = ticket.file();
        metadata = ticket.metadata();
        names = ticket.names();
        mark = ticket.mark();
        product = ticket.product();
        attempt = ticket.attempt();
    }

    Ticket ticket() {
        return new Ticket(
                size,
                turn,
                fit,
                edges,
                ppi,
                viewing,
                resampling,
                sharpening,
                colour,
                rounding,
                file,
                metadata,
                names,
                mark,
                product,
                attempt);
    }
}
