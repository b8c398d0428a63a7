import { describe, expect, it } from 'vitest';
import {
  centred,
  held,
  mirrored,
  movedInSeen,
  nextCorners,
  pulled,
  quarterTurned,
  same,
  seenCentre,
  seenSides,
  tighter,
  tilted,
  turned,
  type Framing,
  type Limit,
} from './framing';

const sides = { width: 0, height: 0 };

/** A 6000 × 4000 picture under a 5:4 frame: at the loosest it reaches 5/6 across and all the way down. */
const limits: Limit[] = [
  { a: -1, b: 0, c: 5 / 12, d: 0, ...sides },
  { a: 1, b: 0, c: 5 / 12, d: 1, ...sides },
  { a: 0, b: -1, c: 0.5, d: 0, ...sides },
  { a: 0, b: 1, c: 0.5, d: 1, ...sides },
  { a: 0, b: 0, c: 1, d: 1, ...sides },
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

  it('is the same only if its corners and free sides are', () => {
    expect(same(nextCorners(centred), centred)).toBe(false);
    expect(same({ ...centred, free: { width: 1, height: 0.5 } }, centred)).toBe(false);
    expect(nextCorners(nextCorners(nextCorners(nextCorners(centred)))).corners).toBe('COVERED');
  });
});

/** What is seen of a place of the oriented original, by hand: mirrored first, then turned clockwise. */
const anyTurn: Framing[] = [0, 1, 2, 3].flatMap((quarterTurns) =>
  (['AS_IT_IS', 'MIRRORED'] as const).map((mirror) => ({ ...centred, centreX: 0.2, centreY: 0.7, quarterTurns, mirror })),
);

describe('turns and mirrors', () => {
  it('show the centre where a turned picture has it', () => {
    expect(seenCentre({ ...centred, centreX: 0.2, centreY: 0.7, quarterTurns: 1 })).toEqual({
      x: expect.closeTo(0.3, 12),
      y: 0.2,
    });
    expect(seenCentre({ ...centred, centreX: 0.2, centreY: 0.7, mirror: 'MIRRORED' }).x).toBeCloseTo(0.8, 12);
  });

  it('move the centre by what the eye sees', () => {
    for (const framing of anyTurn) {
      const before = seenCentre(framing);
      const after = seenCentre(movedInSeen(framing, { x: 0.05, y: -0.03 }));
      expect(after.x - before.x).toBeCloseTo(0.05, 12);
      expect(after.y - before.y).toBeCloseTo(-0.03, 12);
    }
  });

  it('mirror what is seen left for right, whatever the turns, and twice is nothing', () => {
    for (const framing of anyTurn.map((one) => ({ ...one, tiltDegrees: 3 }))) {
      const after = mirrored(framing);
      expect(seenCentre(after).x).toBeCloseTo(1 - seenCentre(framing).x, 12);
      expect(seenCentre(after).y).toBeCloseTo(seenCentre(framing).y, 12);
      expect(after.tiltDegrees).toBe(-3);
      expect(mirrored(after)).toEqual(framing);
    }
  });

  it('turn what is seen by a quarter', () => {
    for (const framing of anyTurn) {
      const { x, y } = seenCentre(framing);
      const after = seenCentre(quarterTurned(framing, 1));
      expect(after.x).toBeCloseTo(1 - y, 12);
      expect(after.y).toBeCloseTo(x, 12);
      expect(quarterTurned(quarterTurned(framing, 1), -1)).toEqual(framing);
    }
  });
});

describe('a free frame', () => {
  /** Untilted, over any picture: half of each side round the centre lies within 0 to 1. */
  const free: Limit[] = [
    { a: -1, b: 0, c: 0, width: 0.5, height: 0, d: 0 },
    { a: 1, b: 0, c: 0, width: 0.5, height: 0, d: 1 },
    { a: 0, b: -1, c: 0, width: 0, height: 0.5, d: 0 },
    { a: 0, b: 1, c: 0, width: 0, height: 0.5, d: 1 },
  ];
  const untilted = { aspect: 1.5, degrees: 0 };
  const half: Framing = { ...centred, free: { width: 0.5, height: 0.5 } };

  it('has each side pulled by itself, the others staying', () => {
    const right = pulled(half, 'right', 0.1, free, untilted);
    expect(right.free!.width).toBeCloseTo(0.6, 12);
    expect(right.centreX - right.free!.width / 2).toBeCloseTo(0.25, 12);
    const top = pulled(half, 'top', -0.2, free, untilted);
    expect(top.free!.height).toBeCloseTo(0.3, 12);
    expect(top.centreY + top.free!.height / 2).toBeCloseTo(0.75, 12);
  });

  it('is pulled in step by step, whatever the last digits of its sums', () => {
    let framing: Framing = { ...centred, free: { width: 1, height: 1 } };
    for (let i = 0; i < 40; i++) framing = pulled(framing, 'left', -0.0149, free, untilted);
    expect(framing.free!.width).toBeCloseTo(1 - 40 * 0.0149, 9);
    expect(framing.centreX + framing.free!.width / 2).toBeCloseTo(1, 9);
  });

  it('stops at the picture’s rim, and is never pulled to nothing', () => {
    const left = pulled(half, 'left', 5, free, untilted);
    expect(left.centreX - left.free!.width / 2).toBeCloseTo(0, 12);
    expect(left.centreX + left.free!.width / 2).toBeCloseTo(0.75, 12);
    expect(pulled(half, 'bottom', -5, free, untilted).free!.height).toBeCloseTo(0.01, 12);
  });

  it('is pulled on the side that is seen, in a turned picture', () => {
    const turnedPicture = quarterTurned({ ...half, free: { width: 0.5, height: 0.3 } }, 1);
    const before = seenSides(turnedPicture);
    const after = pulled(turnedPicture, 'right', 0.1, free, untilted);
    expect(seenSides(after).width).toBeCloseTo(before.width + 0.1, 12);
    expect(seenSides(after).height).toBeCloseTo(before.height, 12);
    expect(seenCentre(after).x).toBeCloseTo(seenCentre(turnedPicture).x + 0.05, 12);
  });
});
