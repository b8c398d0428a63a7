import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { canvasFaces, depthOf, flatSize } from './canvasFaces';

const edges: Schemas['EdgesView'] = {
  rim: 'FOLD',
  sheet: { x: 150, y: 150, width: 800, height: 600 },
  bands: { left: 150, top: 150, right: 150, bottom: 150 },
  bar: { left: 100, top: 100, right: 100, bottom: 0 },
  safe: 0,
};

describe('the faces of a canvas', () => {
  it('show the output where it is, the bars beside the folds', () => {
    const [face, left, right, top] = canvasFaces(edges, 0.5);
    expect(face).toEqual({ name: 'face', left: -200, top: -150, width: 400, height: 300, imageX: -75, imageY: -75 });
    expect(left).toEqual({ name: 'left', left: -250, top: -150, width: 50, height: 300, imageX: -25, imageY: -75 });
    expect(right).toMatchObject({ left: 200, width: 50, imageX: -475 });
    expect(top).toMatchObject({ top: -200, height: 50, imageY: -25 });
  });

  it('leave out a side without a bar', () => {
    expect(canvasFaces(edges, 1).map(({ name }) => name)).toEqual(['face', 'left', 'right', 'top']);
    expect(depthOf(edges)).toBe(100);
    expect(flatSize(edges)).toEqual({ width: 1000, height: 800 });
  });
});
