import { describe, expect, it } from 'vitest';
import { layWall, neighbour } from './wall';
import { merged, type PieceView, type RunView } from './queries';

describe('arrows on the wall', () => {
  const wall = layWall(30, 840, 400);
  const inFirst = wall.bricks.filter(({ y }) => y === wall.bricks[0]!.y).length;

  it('lead along a course and end at the wall’s ends', () => {
    expect(neighbour(wall, 3, 'ArrowRight')).toBe(4);
    expect(neighbour(wall, 0, 'ArrowLeft')).toBe(0);
    expect(neighbour(wall, 29, 'ArrowRight')).toBe(29);
    expect(neighbour(wall, 7, 'Home')).toBe(0);
    expect(neighbour(wall, 7, 'End')).toBe(29);
    expect(neighbour(wall, 7, 'a')).toBe(7);
  });

  it('lead to the brick that lies over or under the middle', () => {
    const away = wall.bricks[inFirst]!.y < wall.bricks[0]!.y ? 'ArrowUp' : 'ArrowDown';
    const back = away === 'ArrowUp' ? 'ArrowDown' : 'ArrowUp';
    const over = neighbour(wall, 2, away);
    expect(over).toBeGreaterThanOrEqual(inFirst);
    expect(Math.abs(wall.bricks[over]!.x - wall.bricks[2]!.x)).toBeLessThanOrEqual(wall.bricks[2]!.width);
    expect(neighbour(wall, over, back)).toBeLessThan(inFirst);
    expect(neighbour(wall, 2, back)).toBe(2);
  });
});

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

  it('is laid from the bottom, its joints broken', () => {
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
