import { describe, expect, it } from 'vitest';
import { common, cornersOf, cssTransform, ofOriented, toOriented, rulerMarks, sheetOnStage, toPicture, toScreen, toSeen, type Lie, type Seen } from './viewTransform';

const lie: Lie = { middleX: 400, middleY: 300, scale: 0.2, tiltDegrees: 30, centreX: 3000, centreY: 2000 };

const asItIs: Seen = { width: 6000, height: 4000, quarterTurns: 0, mirror: 'AS_IT_IS' };

describe('a place of the original', () => {
  it('is found again from where it is seen', () => {
    for (const quarterTurns of [0, 1, 2, 3]) {
      for (const mirror of ['AS_IT_IS', 'MIRRORED'] as const) {
        const seen = { width: 300, height: 400, quarterTurns, mirror };
        const { x, y } = toOriented(seen, ofOriented(seen, { x: 0.25, y: 0.1 }));
        expect(x).toBeCloseTo(0.25, 9);
        expect(y).toBeCloseTo(0.1, 9);
      }
    }
  });

  it('is mirrored, then turned clockwise, as the picture is', () => {
    const seen = { width: 300, height: 400, quarterTurns: 1, mirror: 'MIRRORED' as const };
    // A quarter from the left lies a quarter from the right in the mirror; turned, the top is at the right.
    expect(ofOriented(seen, { x: 0.25, y: 0.1 })).toEqual({ x: 270, y: 300 });
    expect(ofOriented({ ...seen, quarterTurns: 0, mirror: 'AS_IT_IS' }, { x: 0.5, y: 1 })).toEqual({ x: 150, y: 400 });
  });
});

describe('the stage', () => {
  it('holds the sheet in its middle, whole', () => {
    const rect = sheetOnStage({ width: 1000, height: 600 }, { width: 3000, height: 2400 });
    expect(rect.width / rect.height).toBeCloseTo(1.25, 12);
    expect(rect.x * 2 + rect.width).toBeCloseTo(1000, 9);
    expect(rect.height).toBeLessThan(600);
  });

  it('turns a way on the screen back into the picture', () => {
    const way = toSeen(lie, 30, -12);
    const moved = toScreen(lie, 3000 + way.dx, 2000 + way.dy);
    expect(moved.x).toBeCloseTo(430, 9);
    expect(moved.y).toBeCloseTo(288, 9);
  });

  it('shows the centre in the middle whatever the tilt', () => {
    expect(toScreen(lie, 3000, 2000)).toEqual({ x: 400, y: 300 });
    expect(cssTransform(lie, asItIs)).toContain('rotate(30deg) scale(0.2) translate(-3000px, -2000px)');
  });

  it('finds the place of the picture under a place of the stage', () => {
    const screen = toScreen(lie, 1234, 987);
    const found = toPicture(lie, screen.x, screen.y);
    expect(found.x).toBeCloseTo(1234, 9);
    expect(found.y).toBeCloseTo(987, 9);
  });

  it('turns and mirrors the picture about its own middle', () => {
    // 4000 × 6000 seen of an original of 6000 × 4000, turned once: its middle goes to the middle.
    const turned: Seen = { width: 4000, height: 6000, quarterTurns: 1, mirror: 'MIRRORED' };
    expect(cssTransform(lie, turned)).toContain(
      'translate(2000px, 3000px) rotate(90deg) scaleX(-1) translate(-3000px, -2000px)',
    );
  });

  it('a clockwise tilt brings the right side of the picture down', () => {
    expect(toScreen(lie, 4000, 2000).y).toBeGreaterThan(300);
  });
});

describe('what two outlines have in common', () => {
  const frame = cornersOf({ x: 0, y: 0, width: 10, height: 10 });

  it('is the smaller where it lies inside the larger', () => {
    const inner = cornersOf({ x: 2, y: 3, width: 4, height: 5 });
    expect(common(frame, inner)).toHaveLength(4);
    expect(common(inner, frame)).toEqual(inner);
  });

  it('is cut where one hangs over', () => {
    const shape = common(frame, cornersOf({ x: 5, y: -5, width: 10, height: 10 }));
    expect(new Set(shape.map(({ x, y }) => `${x} ${y}`))).toEqual(new Set(['5 0', '10 0', '10 5', '5 5']));
    expect(common(frame, cornersOf({ x: 20, y: 0, width: 5, height: 5 }))).toEqual([]);
  });
});

describe('rulers', () => {
  it('mark whole units with figures and leave room between them', () => {
    const marks = rulerMarks(8, 50);
    expect(marks[0]).toEqual({ at: 0, text: '0' });
    expect(marks.filter(({ text }) => text).map(({ at }) => at)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(rulerMarks(254, 2).filter(({ text }) => text).map(({ at }) => at)).toEqual([0, 50, 100, 150, 200, 250]);
  });
});
