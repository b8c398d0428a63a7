import { describe, expect, it } from 'vitest';
import { layWall } from './wall';
import { merged, type PieceView, type RunView } from './queries';

describe('the wall', () => {
  it('has a brick for each piece, none over another', () => {
    for (const count of [1, 7, 24, 48, 600, 3000]) {
      const { bricks } = layWall(count, 840, 380);
      expect(bricks).toHaveLength(count);
      const places = new Set(bricks.map(({ x, y }) => `${x.toFixed(3)} ${y}`));
      expect(places.size).toBe(count);
      bricks.forEach(({ x, width }) => {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x + width).toBeLessThanOrEqual(840.001);
      });
    }
  });

  it('is laid from the foot, its joints broken', () => {
    const { bricks, height } = layWall(30, 840, 400);
    const first = bricks[0]!;
    expect(first.y + first.height).toBe(height);
    const second = bricks.find(({ y }) => y < first.y)!;
    expect(second.width).toBeLessThan(first.width / 2 + 0.001);
  });

  it('keeps to its height by smaller bricks', () => {
    for (const count of [600, 2000, 5000]) {
      expect(layWall(count, 840, 480).height).toBeLessThanOrEqual(480);
    }
  });
});

describe('what events tell', () => {
  const piece = (id: string, state: PieceView['state']) => ({ id, state }) as PieceView;
  const run = { id: 'r' } as RunView;

  it('is laid over what was known, piece by piece', () => {
    const known = { run, pieces: [piece('a', 'CHECKED'), piece('b', 'WAITING')] };
    const after = merged(known, { run, pieces: [piece('b', 'MAKING')] });
    expect(after?.pieces.map(({ state }) => state)).toEqual(['CHECKED', 'MAKING']);
    expect(merged(undefined, { run, pieces: [] })).toBeUndefined();
  });
});
