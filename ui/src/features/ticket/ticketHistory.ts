import type { TicketDocument } from './queries';

type Part = Partial<TicketDocument>;
type Key = keyof TicketDocument;

interface Step {
  before: Part;
  after: Part;
  at: number;
}

/** A slider or a field says many values on its way to one: within this time they are one step. */
const ONE_STEP_MILLIS = 1500;
const MOST_STEPS = 100;

/** What this window has changed on one ticket, to be taken back and done again in turn. */
export class TicketHistory {
  private done: Step[] = [];
  private undone: Step[] = [];

  /** @param now milliseconds */
  did(document: TicketDocument, part: Part, now = Date.now()): void {
    const keys = (Object.keys(part) as Key[]).filter((key) => !equal(document[key], part[key]));
    if (keys.length === 0) return;
    this.undone = [];
    const last = this.done.at(-1);
    if (last && now - last.at < ONE_STEP_MILLIS && equal(Object.keys(last.after), keys)) {
      last.after = pick(part, keys);
      last.at = now;
      return;
    }
    this.done = [...this.done.slice(1 - MOST_STEPS), { before: pick(document, keys), after: pick(part, keys), at: now }];
  }

  /** The phrases that would be taken back, or done again. */
  get undoes(): Key[] {
    return keysOf(this.done.at(-1)?.after);
  }

  get redoes(): Key[] {
    return keysOf(this.undone.at(-1)?.after);
  }

  /** What to change so that the last step is taken back; nothing if another window has changed the same since. */
  undo(document: TicketDocument): Part | undefined {
    const step = this.done.pop();
    if (!step || !isSo(document, step.after)) return undefined;
    this.undone.push(step);
    return step.before;
  }

  redo(document: TicketDocument): Part | undefined {
    const step = this.undone.pop();
    if (!step || !isSo(document, step.before)) return undefined;
    // A step of its own, however soon the next change comes.
    this.done.push({ ...step, at: 0 });
    return step.after;
  }
}

const keysOf = (part: Part | undefined) => Object.keys(part ?? {}) as Key[];

const pick = (part: Part, keys: Key[]): Part => Object.fromEntries(keys.map((key) => [key, part[key]]));

const isSo = (document: TicketDocument, part: Part) => keysOf(part).every((key) => equal(document[key], part[key]));

const equal = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
