import { QueryClient } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import { Problem } from '../../api/problems';
import type { TicketDocument, TicketView } from './queries';
import { keepOnTicket, TicketEdits, type TicketStore } from './ticketEdits';

let put: Mock;

beforeEach(() => {
  put = vi.spyOn(api, 'PUT') as unknown as Mock;
});


const document = { name: 'Prints', ppi: 300, folder: 'prints', viewing: 'HAND' } as TicketDocument;
const ticket = (version: number, part: Partial<TicketDocument> = {}): TicketView =>
  ({ id: 't', jobId: 'j', version, document: { ...document, ...part } }) as TicketView;

const problem = (code: string, status: number) =>
  Problem.of({ code, problems: [{ code, subject: 'ppi', text: 'ppi: not so.', remedy: 'Change it.' }] }, status);

/** A server that answers when it is told to. */
function server(stored = ticket(0)) {
  const asked: { base: TicketView; document: TicketDocument; answer: () => void; refuse: (error: unknown) => void }[] = [];
  const kept: TicketView[] = [];
  const state = { stored };
  const store: TicketStore = {
    send: (base, sent) =>
      new Promise<TicketView>((resolve, reject) =>
        asked.push({
          base,
          document: sent,
          answer: () => {
            if (base.version !== state.stored.version) return reject(problem('stale-version', 412));
            state.stored = { ...state.stored, version: base.version + 1, document: sent };
            resolve(state.stored);
          },
          refuse: reject,
        }),
      ),
    fetch: async () => state.stored,
    kept: async (one) => void kept.push(one),
  };
  return { store, asked, kept, state };
}

const soon = () => new Promise<void>((resolve) => setTimeout(resolve));

describe('edits of a ticket', () => {
  /** A answered, C built on it: B, done meanwhile, must not be lost. */
  it('lose nothing that was done while an answer was under way', async () => {
    const { store, asked, state } = server();
    const edits = new TicketEdits(state.stored, store, () => undefined);
    edits.edit({ ppi: 240 });
    edits.edit({ folder: 'walls' });
    asked[0]!.answer();
    await soon();
    edits.edit({ name: 'Walls' });
    expect(edits.current().document).toMatchObject({ ppi: 240, folder: 'walls', name: 'Walls' });
    asked[1]!.answer();
    await soon();
    asked[2]!.answer();
    await edits.settled();
    expect(state.stored.document).toMatchObject({ ppi: 240, folder: 'walls', name: 'Walls' });
    expect(asked.map(({ base }) => base.version)).toEqual([0, 1, 2]);
    expect(edits.current().isKept).toBe(true);
  });

  it('are merged with what another window changed elsewhere', async () => {
    const tell = vi.fn();
    const { store, asked, state } = server();
    const edits = new TicketEdits(state.stored, store, tell);
    state.stored = ticket(5, { folder: 'theirs' });
    edits.edit({ ppi: 200 });
    asked[0]!.answer();
    await soon();
    asked[1]!.answer();
    await edits.settled();
    expect(state.stored.document).toMatchObject({ ppi: 200, folder: 'theirs' });
    expect(tell).not.toHaveBeenCalled();
  });

  it("leave the other window's where both changed the same, and say so", async () => {
    const tell = vi.fn();
    const { store, asked, state } = server();
    const edits = new TicketEdits(state.stored, store, tell);
    state.stored = ticket(5, { ppi: 150 });
    edits.edit({ ppi: 200 });
    asked[0]!.answer();
    await edits.settled();
    expect(asked.length).toBe(1);
    expect(edits.current().document.ppi).toBe(150);
    expect(tell).toHaveBeenCalledOnce();
  });

  it('stay on the page when they are refused, and go with the next', async () => {
    const { store, asked, state } = server();
    const edits = new TicketEdits(state.stored, store, () => undefined);
    edits.edit({ ppi: 9 });
    asked[0]!.refuse(problem('ticket-value', 422));
    expect((await edits.settled())[0]?.code).toBe('ticket-value');
    expect(edits.current()).toMatchObject({ document: { ppi: 9 }, isKept: false });
    edits.edit({ folder: 'x' });
    expect(asked[1]!.document).toMatchObject({ ppi: 9, folder: 'x' });
    asked[1]!.refuse(problem('ticket-value', 422));
    await edits.settled();
    edits.edit({ ppi: 90 });
    asked[2]!.answer();
    expect(await edits.settled()).toEqual([]);
    expect(state.stored.document).toMatchObject({ ppi: 90, folder: 'x' });
    expect(edits.current().isKept).toBe(true);
  });

  it('can be discarded', async () => {
    const { store, asked, state } = server();
    const edits = new TicketEdits(state.stored, store, () => undefined);
    edits.edit({ ppi: 9 });
    asked[0]!.refuse(problem('ticket-value', 422));
    await edits.settled();
    edits.discard();
    expect(edits.current()).toMatchObject({ document: { ppi: 300 }, problems: [], isKept: true });
  });

  it('take a newer ticket from a list, never an older one', async () => {
    const { store, state } = server(ticket(4));
    const edits = new TicketEdits(state.stored, store, () => undefined);
    edits.learn(ticket(3, { ppi: 72 }));
    expect(edits.current().document.ppi).toBe(300);
    edits.learn(ticket(6, { ppi: 360 }));
    expect(edits.current().document.ppi).toBe(360);
  });

  it('give up after a ticket changed again and again', async () => {
    const { store, state } = server();
    store.send = () => Promise.reject(problem('stale-version', 412));
    const edits = new TicketEdits(state.stored, store, () => undefined);
    edits.edit({ ppi: 200 });
    expect((await edits.settled())[0]?.code).toBe('stale-version');
    expect(edits.current().document.ppi).toBe(200);
  });

  it('go from what the page has seen of another window, which is no conflict', async () => {
    put.mockImplementation(async (_, { body, params }) => ({
      data: { ...ticket(Number(JSON.parse(params.header['If-Match'])) + 1), document: body },
      response: new Response(),
    }));
    const queries = new QueryClient();
    await keepOnTicket(queries, ticket(0), { ppi: 200 }, () => undefined);
    await keepOnTicket(queries, ticket(7, { ppi: 150 }), { ppi: 240 }, () => undefined);
    expect(put.mock.calls.map(([, { params }]) => params.header['If-Match'])).toEqual(['"0"', '"7"']);
    expect(put).toHaveBeenCalledTimes(2);
  });
});
