import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { sheetLines, SheetLines } from './SheetLines';

const none = { left: 0, top: 0, right: 0, bottom: 0 };
const all = (px: number) => ({ left: px, top: px, right: px, bottom: px });
const edges = (changed: Partial<Schemas['EdgesView']>): Schemas['EdgesView'] => ({
  bands: none,
  bar: none,
  rim: 'TRIM',
  safe: 0,
  sheet: { x: 0, y: 0, width: 2400, height: 3000 },
  ...changed,
});
const styles = (view: Schemas['EdgesView']) => sheetLines(view).map(({ style }) => style);

describe('the lines of a sheet', () => {
  it('are its trim alone where nothing is added', () => {
    expect(sheetLines(edges({}))).toEqual([{ style: 'trim', rect: { x: 0, y: 0, width: 2400, height: 3000 } }]);
  });

  it('with bleed: total, trim, and what is kept clear inside', () => {
    const bled = edges({ bands: all(38), sheet: { x: 38, y: 38, width: 2400, height: 3000 }, safe: 60 });
    expect(sheetLines(bled)).toEqual([
      { style: 'total-line', rect: { x: 0, y: 0, width: 2476, height: 3076 } },
      { style: 'trim', rect: { x: 38, y: 38, width: 2400, height: 3000 } },
      { style: 'safe-line', rect: { x: 98, y: 98, width: 2280, height: 2880 } },
    ]);
  });

  it('of a canvas have the back edge of the bar, unless the canvas ends there', () => {
    const sheet = { x: 600, y: 600, width: 2400, height: 3000 };
    expect(styles(edges({ rim: 'FOLD', bands: all(600), bar: all(450), sheet }))).toEqual(['total-line', 'back-line', 'fold-line']);
    expect(styles(edges({ rim: 'FOLD', bands: all(600), bar: all(600), sheet }))).toEqual(['total-line', 'fold-line']);
  });

  it('of a border show where it begins', () => {
    expect(styles(edges({ rim: 'BORDER', bands: all(90), sheet: { x: 90, y: 90, width: 2220, height: 2820 } }))).toEqual([
      'total-line',
      'joint-line',
    ]);
  });

  it('are drawn to scale, on a picture with a light ground', () => {
    const { container } = render(
      <svg>
        <SheetLines edges={edges({ safe: 100 })} scale={0.1} on="picture" />
      </svg>,
    );
    const [ground, trim] = container.querySelectorAll('rect');
    expect(ground!.getAttribute('class')).toBe('line-ground');
    expect(trim!.getAttribute('class')).toBe('trim');
    expect(trim!.getAttribute('width')).toBe('240');
  });
});
