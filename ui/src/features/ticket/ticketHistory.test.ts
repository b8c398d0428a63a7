import { describe, expect, it } from 'vitest';
import { ticketDocument } from '../../testing/samples';
import { TicketHistory } from './ticketHistory';

const at = (ppi: number) => ({ ...ticketDocument, ppi });

describe('what was changed on a ticket', () => {
  it('is taken back and done again, the last first', () => {
    const history = new TicketHistory();
    history.did(at(300), { ppi: 200 }, 0);
    history.did(at(200), { folder: 'wall' }, 5000);
    expect(history.undoes).toEqual(['folder']);
    expect(history.undo({ ...at(200), folder: 'wall' })).toEqual({ folder: ticketDocument.folder });
    expect(history.undo(at(200))).toEqual({ ppi: 300 });
    expect(history.undo(at(300))).toBeUndefined();
    expect(history.redoes).toEqual(['ppi']);
    expect(history.redo(at(300))).toEqual({ ppi: 200 });
    expect(history.redo(at(200))).toEqual({ folder: 'wall' });
  });

  it('is one step where one phrase was changed many times at once', () => {
    const history = new TicketHistory();
    history.did(at(300), { ppi: 290 }, 0);
    history.did(at(290), { ppi: 280 }, 300);
    history.did(at(280), { ppi: 200 }, 600);
    expect(history.undo(at(200))).toEqual({ ppi: 300 });
  });

  it('is not taken back over what another window has changed since', () => {
    const history = new TicketHistory();
    history.did(at(300), { ppi: 200 }, 0);
    expect(history.undo(at(150))).toBeUndefined();
    expect(history.redoes).toEqual([]);
  });

  it('forgets what was taken back once something else is changed, and is nothing where nothing changed', () => {
    const history = new TicketHistory();
    history.did(at(300), { ppi: 300 }, 0);
    expect(history.undoes).toEqual([]);
    history.did(at(300), { ppi: 200 }, 0);
    history.undo(at(200));
    history.did(at(300), { folder: 'wall' }, 9000);
    expect(history.redoes).toEqual([]);
  });
});
