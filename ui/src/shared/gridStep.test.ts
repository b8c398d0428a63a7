import { describe, expect, it } from 'vitest';
import { gridStep } from './gridStep';

describe('arrows in a grid of 10 in rows of 4', () => {
  const step = (key: string, at: number) => gridStep(key, at, 4, 10);

  it('lead to the next, and row by row', () => {
    expect(step('ArrowRight', 3)).toBe(4);
    expect(step('ArrowLeft', 4)).toBe(3);
    expect(step('ArrowDown', 1)).toBe(5);
    expect(step('ArrowUp', 5)).toBe(1);
  });

  it('stay at the ends', () => {
    expect(step('ArrowLeft', 0)).toBe(0);
    expect(step('ArrowUp', 2)).toBe(2);
    expect(step('ArrowRight', 9)).toBe(9);
    expect(step('ArrowDown', 9)).toBe(9);
  });

  it('lead down to the last of a shorter row', () => {
    expect(step('ArrowDown', 7)).toBe(9);
  });

  it('lead to the first and the last', () => {
    expect(step('Home', 6)).toBe(0);
    expect(step('End', 6)).toBe(9);
  });

  it('leave other keys alone', () => {
    expect(step('a', 6)).toBeUndefined();
  });
});
