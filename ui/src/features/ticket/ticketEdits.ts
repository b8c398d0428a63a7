import type { QueryClient } from '@tanstack/react-query';
import { Problem, type ProblemDetail } from '../../api/problems';
import { fetchTicket, sendTicket, ticketsQuery, type TicketDocument, type TicketView } from './queries';
import { TicketHistory } from './ticketHistory';

type Part = Partial<TicketDocument>;

export interface TicketState {
  /** As it is on the page: what the server has, with every change that it has not kept. */
  document: TicketDocument;
  /** Why the last changes were not kept; they stay on the page until they are mended. */
  problems: ProblemDetail[];
  isKept: boolean;
}

/** What the edits need of the server. */
export interface TicketStore {
  /** @throws Problem with code `stale-version` if the ticket has another version by now */
  send(base: TicketView, document: TicketDocument): Promise<TicketView>;
  fetch(id: string): Promise<TicketView>;
  kept(ticket: TicketView): Promise<void>;
}

/** Another window may keep changing the same ticket; this often its changes are taken in before this one gives up. */
const MOST_MERGES = 5;

/**
 * Changes of one ticket, sent one after the other, each with the version it is done on. What another window changed
 * meanwhile is merged phrase by phrase; where both changed the same phrase the other's stays, and this window is told.
 */
export class TicketEdits {
  readonly history = new TicketHistory();
  private waiting: Part = {};
  private sent: Part = {};
  private refused: Part = {};
  private problems: ProblemDetail[] = [];
  private isBusy = false;
  private state: TicketState;
  private readonly listeners = new Set<() => void>();

  constructor(
    private base: TicketView,
    private readonly store: TicketStore,
    private readonly tell: (text: string) => void,
  ) {
    this.state = this.now();
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  readonly current = () => this.state;

  edit(part: Part): void {
    this.waiting = { ...this.waiting, ...part };
    this.problems = [];
    this.draw();
    if (!this.isBusy) void this.drain();
  }

  /** Takes what a list told, if it is newer and no answer is waited for. */
  learn(ticket: TicketView): void {
    if (this.isBusy || ticket.version <= this.base.version) return;
    this.base = ticket;
    this.draw();
  }

  /** Drops what was refused. */
  discard(): void {
    this.refused = {};
    this.problems = [];
    this.draw();
  }

  /** Resolves when all changes are kept or refused; then tells the problems. */
  async settled(): Promise<ProblemDetail[]> {
    while (this.isBusy) {
      await new Promise<void>((resolve) => {
        const stop = this.subscribe(() => {
          stop();
          resolve();
        });
      });
    }
    return this.problems;
  }

  private async drain() {
    this.isBusy = true;
    try {
      while (Object.keys(this.waiting).length > 0) {
        this.sent = { ...this.refused, ...this.waiting };
        this.waiting = {};
        this.refused = {};
        try {
          await this.send();
        } catch (error) {
          this.refused = this.sent;
          this.problems = Problem.from(error).problems;
        }
        this.sent = {};
        this.draw();
      }
    } finally {
      this.isBusy = false;
      this.draw();
    }
  }

  private async send() {
    for (let merges = 0; Object.keys(this.sent).length > 0; merges++) {
      try {
        this.base = await this.store.send(this.base, { ...this.base.document, ...this.sent });
        await this.store.kept(this.base);
        return;
      } catch (error) {
        if (Problem.from(error).code !== 'stale-version' || merges === MOST_MERGES) throw error;
      }
      this.merge(await this.store.fetch(this.base.id));
    }
    await this.store.kept(this.base);
  }

  private merge(theirs: TicketView) {
    const ours = Object.keys(this.sent) as (keyof TicketDocument)[];
    const changedByBoth = ours.filter(
      (key) =>
        !equal(theirs.document[key], this.base.document[key]) && !equal(theirs.document[key], this.sent[key]),
    );
    this.base = theirs;
    for (const key of changedByBoth) delete this.sent[key];
    if (changedByBoth.length > 0) {
      this.tell('Another window changed the same part of the ticket. Its change was kept; look at it, then make yours again.');
    }
    this.draw();
  }

  private draw() {
    this.state = this.now();
    this.listeners.forEach((listener) => listener());
  }

  private now(): TicketState {
    return {
      document: { ...this.base.document, ...this.refused, ...this.sent, ...this.waiting },
      problems: this.problems,
      isKept: !this.isBusy && Object.keys(this.refused).length === 0,
    };
  }
}

function equal(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

const known = new WeakMap<QueryClient, Map<string, TicketEdits>>();

/** The edits of a ticket: one queue for all pages, which goes on when a page is left. */
export function ticketEdits(queries: QueryClient, ticket: TicketView, tell: (text: string) => void): TicketEdits {
  const ofClient = known.get(queries) ?? new Map<string, TicketEdits>();
  known.set(queries, ofClient);
  const { queryKey } = ticketsQuery(ticket.jobId);
  const edits =
    ofClient.get(ticket.id) ??
    new TicketEdits(
      ticket,
      {
        send: sendTicket,
        fetch: fetchTicket,
        kept: async (kept) => {
          // A list that was asked for before this answer must not come after it.
          await queries.cancelQueries({ queryKey });
          queries.setQueryData(queryKey, (before) => before?.map((one) => (one.id === kept.id ? kept : one)));
        },
      },
      tell,
    );
  ofClient.set(ticket.id, edits);
  return edits;
}

/** Keeps a change or drops it; resolves with why it was refused. */
export async function keepOnTicket(
  queries: QueryClient,
  ticket: TicketView,
  part: Part,
  tell: (text: string) => void,
): Promise<ProblemDetail[]> {
  const edits = ticketEdits(queries, ticket, tell);
  // What this page has seen of other windows is no conflict.
  edits.learn(ticket);
  edits.edit(part);
  const refusals = await edits.settled();
  if (refusals.length > 0) edits.discard();
  return refusals;
}
