import { Button, Popover } from 'antd';
import { overrideWords, noOverride, type Override } from '../framing';
import { SharpeningForm, sharpeningWords, PpiForm, type TicketDocument } from '../ticket';

interface Props {
  override: Override;
  ticket: TicketDocument;
  open: boolean;
  onOpen: (open: boolean) => void;
  onChange: (words: string, override: Override) => void;
}

/** What this picture has of its own beside the ticket: its ppi, its sharpening. */
export function OwnPart({ override, ticket, open, onOpen, onChange }: Props) {
  const words = overrideWords(override);
  const form = (
    <div className="own-form" role="dialog" aria-label="Of its own">
      <section>
        <h3>ppi</h3>
        <p className="quiet">on the ticket {ticket.ppi}</p>
        <PpiForm
          key={String(override.ppi)}
          value={override.ppi ?? ticket.ppi}
          onChange={(ppi) => onChange('gave it a ppi of its own', { ...override, ppi: ppi === ticket.ppi ? null : ppi })}
        />
      </section>
      <section>
        <h3>sharpening</h3>
        <p className="quiet">on the ticket: {sharpeningWords(ticket.sharpening)}</p>
        <SharpeningForm
          value={override.sharpening ?? ticket.sharpening}
          onChange={(sharpening) => onChange('gave this picture its own sharpening', { ...override, sharpening })}
        />
      </section>
      {words && (
        <Button onClick={() => onChange('gave up what it had of its own', noOverride)}>As on the ticket again</Button>
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
