import type { Schemas } from '../../api/client';
import { papers } from './papers';

export type Wish = Schemas['LayoutWish'];
export type ByHand = Schemas['ByHand'];
export type Layout = Schemas['LayoutView'];
export type Laid = Schemas['LaidView'];

const GAP = 6;
const MARGIN = 5;

export const firstWish = (runId: string): Wish => ({
  runIds: [runId],
  width: papers[1]!.width,
  height: null,
  margin: MARGIN,
  gap: GAP,
  mayTurn: true,
  byRun: false,
  overlap: null,
  price: null,
  byHand: [],
});

const placeOf = (runId: string) => `embrick.layout.${runId}`;

/** What was last wished for a run's pieces: leaving the page loses nothing. */
export function keptWish(runId: string): Wish {
  try {
    const kept = JSON.parse(localStorage.getItem(placeOf(runId)) ?? '') as Partial<Wish>;
    return { ...firstWish(runId), ...kept };
  } catch {
    return firstWish(runId);
  }
}

export const keepWish = (runId: string, wish: Wish) => localStorage.setItem(placeOf(runId), JSON.stringify(wish));

/** Puts one piece elsewhere; all others stay as they lie. */
export function moved(wish: Wish, hand: ByHand): Wish {
  return { ...wish, byHand: [...wish.byHand.filter(({ number }) => number !== hand.number), hand] };
}

export const handOf = ({ number, x, y, turned }: Laid, page: number): ByHand => ({ number, page, x, y, turned });

/** A quarter turn about the piece's own corner. */
export const turnedHand = (laid: Laid, page: number): ByHand => ({ ...handOf(laid, page), turned: !laid.turned });
