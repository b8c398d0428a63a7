import { Button, Popover } from 'antd';
import { departureWords, noDeparture, type Departure } from '../framing';
import { LiftForm, liftWords, PpiForm, type TicketDocument } from '../ticket';

interface Props {
  departure: Departure;
  ticket: TicketDocument;
  open: boolean;
  onOpen: (open: boolean) => void;
  onChange: (words: string, departure: Departure) => void;
}

/** What this picture has of its own beside the ticket: its ppi, its lift. */
export function OwnPart({ departure, ticket, open, onOpen, onChange }: Props) {
  const words = departureWords(departure);
  const form = (
    <div className="own-form" role="dialog" aria-label="Of its own">
      <section>
        <h3>ppi</h3>
        <p className="quiet">on the ticket {ticket.ppi}</p>
        <PpiForm
          key={String(departure.ppi)}
          value={departure.ppi ?? ticket.ppi}
          onChange={(ppi) => onChange('gave it a ppi of its own', { ...departure, ppi: ppi === ticket.ppi ? null : ppi })}
        />
      </section>
      <section>
        <h3>lift</h3>
        <p className="quiet">on the ticket: {liftWords(ticket.lift)}</p>
        <LiftForm
          value={departure.lift ?? ticket.lift}
          onChange={(lift) => onChange('gave it a lift of its own', { ...departure, lift })}
        />
      </section>
      {words && (
        <Button onClick={() => onChange('gave up what it had of its own', noDeparture)}>As on the ticket again</Button>
      )}
    </div>
  );
  return (
    <Popover trigger="click" open={open} onOpenChange={onOpen} content={form} title="This picture alone" destroyOnHidden>
      <Button className={words ? 'own-marked' : ''}>
        {words ? `◇ ${words}` : 'Its own'} <kbd>O</kbd>
      </Button>
    </Popover>
  );
}
