import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { isTakable, offerOf } from './offers';
import type { Found } from './queries';

const original = { id: 'a', path: 'kite.jpg' } as Schemas['OriginalView'];
const print = { corners: [], degrees: 3, confidence: 'SURE' as const, text: 'Sure: all four sides are seen.' };
const level = { from: { x: 0, y: 0 }, to: { x: 1, y: 0 }, degrees: 2, confidence: 'LIKELY' as const, text: 'Likely.' };

function found(part: Partial<Found>): Found {
  return { scan: { text: 'No scan border.', prints: [] }, level: null, ...part };
}

describe('what a picture is offered', () => {
  it('is its border before a level: the sides of a print lean as it does', () => {
    expect(offerOf(original, found({ scan: { text: '', prints: [print] }, level })).kind).toBe('border');
  });

  it('is a level where it leans enough to be seen', () => {
    expect(offerOf(original, found({ level })).kind).toBe('level');
    expect(offerOf(original, found({ level: { ...level, degrees: 0.1 } })).kind).toBe('nothing');
  });

  it('cannot be taken where it is not sure, nor for several prints at once', () => {
    const unsure = { ...print, confidence: 'NOT_SURE' as const };
    expect(isTakable(offerOf(original, found({ scan: { text: '', prints: [unsure] } })))).toBe(false);
    expect(isTakable(offerOf(original, found({ scan: { text: '', prints: [print, print] } })))).toBe(false);
    expect(isTakable(offerOf(original, found({ level })))).toBe(true);
  });
});
