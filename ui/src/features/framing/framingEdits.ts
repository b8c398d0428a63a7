import type { QueryClient } from '@tanstack/react-query';
import { Ahead } from './ahead';
import { centred, same, type Framing } from './framing';
import {
  framingsQuery,
  historyQuery,
  noOverride,
  overridesQuery,
  type EditOutcome,
  type EditRequest,
  type FramingView,
  type Override,
  type OverrideView,
} from './queries';

/** What an edit changes on one picture; what is not named stays. */
export interface Change {
  originalId: string;
  framing?: Framing;
  accepted?: boolean;
  override?: Override;
}

export interface Place {
  jobId: string;
  shape: string | undefined;
  ticketId: string | undefined;
}

interface Framed {
  document: Framing;
  accepted: boolean;
}

/** An edit as it was done, to be sent when those before it are answered. */
export interface ShownEdit {
  words: string;
  framings: ({ originalId: string } & Framed)[];
  overrides: { originalId: string; document: Override }[];
}

/**
 * Framings and overrides as they are on the screen: the server's, kept in the query cache, with the edits that it has not
 * answered yet laid over them.
 */
export class FramingEdits {
  private readonly framings = new Ahead<Framed>();
  private readonly overrides = new Ahead<Override>();
  private readonly listeners = new Set<() => void>();
  private changes = 0;

  constructor(
    private readonly queries: QueryClient,
    private readonly place: Place,
  ) {}

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** Another number after each change. */
  readonly revision = () => this.changes;

  get isReady(): boolean {
    return this.place.shape !== undefined && this.place.ticketId !== undefined;
  }

  framing(originalId: string): Framed {
    return this.framings.value(originalId) ?? this.keptFraming(originalId) ?? { document: centred, accepted: false };
  }

  /** @param kept those that the server has as accepted, looked up quickly for a long list */
  isAccepted(originalId: string, kept: Set<string>): boolean {
    return this.framings.value(originalId)?.accepted ?? kept.has(originalId);
  }

  override(originalId: string): Override {
    return this.overrides.value(originalId) ?? this.keptOverride(originalId)?.document ?? noOverride;
  }

  /** Shows an edit, and says what is to be sent; nothing if nothing would be other than it is. */
  show(words: string, changes: Change[]): ShownEdit | undefined {
    const edit: ShownEdit = { words, framings: [], overrides: [] };
    for (const { originalId, framing, accepted, override } of changes) {
      const now = this.framing(originalId);
      const after = { document: framing ?? now.document, accepted: accepted ?? now.accepted };
      if (!same(after.document, now.document) || after.accepted !== now.accepted) {
        this.framings.show(originalId, after, this.known(this.keptFramings(), originalId));
        edit.framings.push({ originalId, ...after });
      }
      if (override !== undefined) {
        this.overrides.show(originalId, override, this.known(this.keptOverrides(), originalId));
        edit.overrides.push({ originalId, document: override });
      }
    }
    if (edit.framings.length + edit.overrides.length === 0) return undefined;
    this.told();
    return edit;
  }

  /** The request for an edit, with the versions that its pictures have on the server by now. */
  async request({ words, framings, overrides }: ShownEdit): Promise<EditRequest> {
    const { jobId, shape, ticketId } = this.place;
    if (this.keptFramings() === undefined) await this.queries.fetchQuery(framingsQuery(jobId, shape));
    if (overrides.length > 0 && this.keptOverrides() === undefined) {
      await this.queries.fetchQuery(overridesQuery(ticketId));
    }
    return {
      words,
      exclusions: null,
      framings: framings.map((framed) => ({
        ...framed,
        shapeKey: shape!,
        version: this.framings.version(framed.originalId) ?? this.keptFraming(framed.originalId)?.version ?? -1,
      })),
      overrides: overrides.map((own) => ({
        ...own,
        ticketId: ticketId!,
        version: this.overrides.version(own.originalId) ?? this.keptOverride(own.originalId)?.version ?? -1,
      })),
    };
  }

  /** Takes the server's answer: to an edit that was shown before, or to undoing or redoing one. */
  async take(outcome: EditOutcome, of: 'edit' | 'step'): Promise<void> {
    const { jobId, shape, ticketId } = this.place;
    await Promise.all([
      stopLists(this.queries, ['framings', jobId]),
      stopLists(this.queries, overridesQuery(ticketId).queryKey),
    ]);
    const isNews = (ahead: Ahead<unknown>, id: string, version: number) =>
      of === 'edit' ? ahead.settle(id, version) : ahead.rebase(id, version);
    for (const framing of outcome.framings) {
      if (framing.shapeKey !== shape || isNews(this.framings, framing.originalId, framing.version)) {
        this.queries.setQueryData(framingsQuery(jobId, framing.shapeKey).queryKey, (all) => replaced(all, framing));
      }
    }
    for (const override of outcome.overrides) {
      if (override.ticketId !== ticketId || isNews(this.overrides, override.originalId, override.version)) {
        this.queries.setQueryData(overridesQuery(override.ticketId).queryKey, (all) => replaced(all, override));
      }
    }
    this.queries.setQueryData(historyQuery(jobId).queryKey, outcome.history);
    this.told();
    // After one framing the figures of other pages follow when they are opened: a pass would ask for all of them each time.
    const refetchType = outcome.overrides.length > 0 || outcome.framings.length > 1 ? 'active' : 'none';
    void this.queries.invalidateQueries({ queryKey: ['estimate', jobId], refetchType });
  }

  /** After a failure: nothing that was sent is waited for, and the server is asked what holds. */
  async lookAgain(): Promise<void> {
    const { jobId, ticketId } = this.place;
    this.framings.forget();
    this.overrides.forget();
    this.told();
    await Promise.all([
      this.queries.invalidateQueries({ queryKey: ['framings', jobId] }),
      this.queries.invalidateQueries({ queryKey: overridesQuery(ticketId).queryKey }),
      this.queries.invalidateQueries({ queryKey: historyQuery(jobId).queryKey }),
    ]);
  }

  private told() {
    this.changes++;
    this.listeners.forEach((listener) => listener());
  }

  private keptFramings(): FramingView[] | undefined {
    return this.queries.getQueryData(framingsQuery(this.place.jobId, this.place.shape).queryKey);
  }

  private keptOverrides(): OverrideView[] | undefined {
    return this.queries.getQueryData(overridesQuery(this.place.ticketId).queryKey);
  }

  private keptFraming(originalId: string): FramingView | undefined {
    return this.keptFramings()?.find((one) => one.originalId === originalId);
  }

  private keptOverride(originalId: string): OverrideView | undefined {
    return this.keptOverrides()?.find((one) => one.originalId === originalId);
  }

  /** −1 where the server has none; unknown while its list is not there. */
  private known(list: { originalId: string; version: number }[] | undefined, originalId: string): number | undefined {
    return list && (list.find((one) => one.originalId === originalId)?.version ?? -1);
  }
}

/** A list that was asked for before an answer must not come after it; one that was not there yet is asked for again. */
async function stopLists(queries: QueryClient, queryKey: readonly unknown[]) {
  await queries.cancelQueries({ queryKey });
  void queries.invalidateQueries({ queryKey, predicate: ({ state }) => state.data === undefined });
}

function replaced<T extends { originalId: string }>(all: T[] | undefined, news: T): T[] | undefined {
  if (!all) return undefined;
  const at = all.findIndex((one) => one.originalId === news.originalId);
  return at < 0 ? [...all, news] : all.with(at, news);
}
