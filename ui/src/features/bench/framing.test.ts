import { describe, expect, it } from 'vitest';
import { centred, held, same, tighter, tilted, turned, type Limit } from './framing';

/** A 6000 × 4000 picture under a 5:4 frame: at the loosest it reaches 5/6 across and all the way down. */
const limits: Limit[] = [
  { a: -1, b: 0, c: 5 / 12, d: 0 },
  { a: 1, b: 0, c: 5 / 12, d: 1 },
  { a: 0, b: -1, c: 0.5, d: 0 },
  { a: 0, b: 1, c: 0.5, d: 1 },
  { a: 0, b: 0, c: 1, d: 1 },
];

describe('a frame', () => {
  it('is held inside the picture on every side', () => {
    const pulled = held({ ...centred, centreX: 0.05, centreY: 0.9 }, limits);
    expect(pulled.centreX).toBeCloseTo(5 / 12, 12);
    expect(pulled.centreY).toBeCloseTo(0.5, 12);
    const right = held({ ...centred, centreX: 2, tightness: 2 }, limits);
    expect(right.centreX).toBeCloseTo(1 - 5 / 24, 12);
  });

  it('stays where it is when it is inside', () => {
    const inside = { ...centred, centreX: 0.5, centreY: 0.6, tightness: 1.5 };
    expect(held(inside, limits)).toEqual(inside);
  });

  it('is never looser than the loosest nor tighter than the tightest', () => {
    expect(tighter(centred, 0.5).tightness).toBe(1);
    expect(tighter(centred, 1e6).tightness).toBe(100);
  });

  it('tilts by tenths without drifting', () => {
    let framing = centred;
    for (let i = 0; i < 10; i++) framing = tilted(framing, 0.1);
    expect(framing.tiltDegrees).toBe(1);
    expect(tilted(framing, 90).tiltDegrees).toBe(45);
  });

  it('turns the sheet to the other direction', () => {
    expect(turned(centred, true).turn).toBe('UPRIGHT');
    expect(turned(centred, false).turn).toBe('WIDE');
    expect(same(turned(centred, false), centred)).toBe(false);
  });
});
