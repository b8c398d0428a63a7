package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.problem.Problem;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.Resolution;
import java.util.Optional;

/** Tickets with edges, and what is planned of them. */
final class EdgedTickets {

    static final Length NOTHING = Length.millimetres(0);

    private EdgedTickets() {}

    static Sides even(String inches) {
        return Sides.even(Length.inches(inches));
    }

    static Edges wrap(String bar, String allowance, EdgeFill fill) {
        return new Edges.Wrap(even(bar), even(allowance), fill, WrapMarks.NONE);
    }

    static Edges bleed(Length band, EdgeFill fill) {
        return new Edges.Bleed(band, Length.millimetres(4), fill);
    }

    static Edges border(BorderSize size) {
        return new Edges.Border(size, PaperColour.WHITE, Optional.empty(), Optional.empty());
    }

    static Ticket paper(String width, String height, int ppi) {
        return ticket().withSize(onPaper(width, height)).withPpi(Resolution.perInch(ppi));
    }

    static Planning planning(Ticket ticket, Framing framing) {
        return Planner.plan(picture(6000, 4000), ticket, framing);
    }

    static Plan plan(Ticket ticket) {
        return plan(ticket, Framing.centred());
    }

    static Plan plan(Ticket ticket, Framing framing) {
        return ((Planning.Ready) planning(ticket, framing)).plan();
    }

    static Problem problem(Ticket ticket) {
        return ((Planning.Refused) planning(ticket, Framing.centred()))
                .problems()
                .getFirst();
    }
}
