import { describe, expect, it } from 'vitest';
import { reducedSheet, shownAt } from './scale';

const sheet = { width: 3000, height: 2400 };
const view = { width: 1000, height: 600 };

describe('the scale of a proof', () => {
  it('is the file’s own pixels at whole numbers', () => {
    expect(shownAt(1, sheet, view, 300, 96)).toEqual({ reduction: null, magnify: 1 });
    expect(shownAt(4, sheet, view, 300, 96)).toEqual({ reduction: null, magnify: 4 });
  });

  it('is as large as on paper by the display’s own ppi', () => {
    // 300 to the inch on a display of 100: three go to one.
    const dense = shownAt('true-size', sheet, view, 300, 100);
    expect(dense.reduction).toBeCloseTo(3, 12);
    // A banner of 30 ppi: each is shown larger.
    expect(shownAt('true-size', sheet, view, 30, 105)).toEqual({ reduction: null, magnify: 3.5 });
  });

  it('brings the whole sheet into view, never enlarged', () => {
    const { reduction } = shownAt('whole', sheet, view, 300, 96);
    expect(reducedSheet(sheet, reduction).height).toBe(600);
    expect(shownAt('whole', { width: 100, height: 50 }, view, 300, 96)).toEqual({ reduction: null, magnify: 1 });
  });
});
