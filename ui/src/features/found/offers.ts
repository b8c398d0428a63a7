import type { Schemas } from '../../api/client';
import type { Confidence, Found } from './queries';

type Original = Schemas['OriginalView'];

/** Leaning by less than this is level for everybody who looks. */
const LEAST_DEGREES = 0.15;

export const confidenceWords: Record<Confidence, string> = { SURE: 'sure', LIKELY: 'likely', NOT_SURE: 'not sure' };

/** What one picture is offered: a border before a level, since a print's own sides lean too. */
export type PictureOffer = {
  original: Original;
  kind: 'border' | 'level' | 'prints' | 'nothing';
  confidence: Confidence;
  text: string;
};

export function offerOf(original: Original, { scan, level }: Found): PictureOffer {
  if (scan.prints.length > 1) return { original, kind: 'prints', confidence: 'NOT_SURE', text: scan.text };
  const print = scan.prints[0];
  if (print) return { original, kind: 'border', confidence: print.confidence, text: print.text };
  if (level && Math.abs(level.degrees) >= LEAST_DEGREES) {
    return { original, kind: 'level', confidence: level.confidence, text: level.text };
  }
  return { original, kind: 'nothing', confidence: 'NOT_SURE', text: level ? 'Level already.' : scan.text };
}

/** Prints that pictures can be made of. */
export function seenPrints({ scan }: Found): number {
  return scan.prints.filter(({ confidence }) => confidence !== 'NOT_SURE').length;
}

/** Whether it can be taken for many at once: what is not sure is left alone. */
export function isTakable({ kind, confidence }: PictureOffer): boolean {
  return (kind === 'border' || kind === 'level') && confidence !== 'NOT_SURE';
}
