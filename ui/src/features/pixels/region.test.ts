import { describe, expect, it } from 'vitest';
import { middleOf, regionRound } from './region';

const sheet = { width: 3000, height: 2400 };

describe('the part of the sheet that is shown', () => {
  it('has whole pixels and stands round its middle', () => {
    expect(regionRound({ x: 1500, y: 1200 }, { width: 801.7, height: 600 }, sheet)).toEqual({
      x: 1100,
      y: 900,
      width: 801,
      height: 600,
    });
  });

  it('never leaves the sheet', () => {
    for (const x of [-900, 0, 1500, 2999, 9000]) {
      for (const y of [-10, 2400, 1e6]) {
        const region = regionRound({ x, y }, { width: 1000, height: 700 }, sheet);
        expect(region.x).toBeGreaterThanOrEqual(0);
        expect(region.y).toBeGreaterThanOrEqual(0);
        expect(region.x + region.width).toBeLessThanOrEqual(sheet.width);
        expect(region.y + region.height).toBeLessThanOrEqual(sheet.height);
      }
    }
  });

  it('is the whole of a sheet smaller than the view', () => {
    expect(regionRound({ x: 10, y: 10 }, { width: 900, height: 900 }, { width: 300, height: 200 })).toEqual({
      x: 0,
      y: 0,
      width: 300,
      height: 200,
    });
  });

  it('moves by as much as its middle', () => {
    const before = regionRound({ x: 1500, y: 1200 }, { width: 800, height: 600 }, sheet);
    const { x, y } = middleOf(before);
    expect(regionRound({ x: x + 37, y: y - 5 }, { width: 800, height: 600 }, sheet)).toEqual({
      ...before,
      x: before.x + 37,
      y: before.y - 5,
    });
  });
});
