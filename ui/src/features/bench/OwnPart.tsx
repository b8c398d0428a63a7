import { Button } from 'antd';
import { FormPopover } from '../../shared/FormPopover';
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
    <div className="own-form">
      <section>
        <h3>ppi</h3>
        <p className="quiet">on the ticket {ticket.ppi}</p>
        <PpiForm
          key={String(override.ppi)}
          value={override.ppi ?? ticket.ppi}
          onChange={(ppi) => onChange('set the ppi for this picture', { ...override, ppi: ppi === ticket.ppi ? null : ppi })}
        />
      </section>
      <section>
        <h3>sharpening</h3>
        <p className="quiet">on the ticket: {sharpeningWords(ticket.sharpening)}</p>
        <SharpeningForm
          value={override.sharpening ?? ticket.sharpening}
          onChange={(sharpening) => onChange('set sharpening for this picture', { ...override, sharpening })}
        />
      </section>
      {words && (
        <Button onClick={() => onChange('removed this picture’s own settings', noOverride)}>Use the ticket’s settings</Button>
      )}
    </div>
  );
  return (
    <FormPopover open={open} onOpenChange={onOpen} content={form} title="Only this picture">
      <Button className={words ? 'own-marked' : ''}>
        {words ? `◇ ${words}` : 'Only this picture'} <kbd>O</kbd>
      </Button>
    </FormPopover>
  );
}
