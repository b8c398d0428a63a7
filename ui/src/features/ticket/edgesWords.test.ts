import { describe, expect, it } from 'vitest';
import { captionWords, edgesWords, even, freshEdges, sameLength } from './edgesWords';

const inches = (value: number) => ({ value, unit: 'IN' as const });

describe('what goes round the sheet', () => {
  it('is said in the sentence', () => {
    expect(edgesWords({ kind: 'none' })).toBe('no edges');
    expect(edgesWords(freshEdges('bleed', 'IN'))).toBe('⅛ in of bleed, mirrored');
    expect(edgesWords(freshEdges('bleed', 'MM'))).toBe('3 mm of bleed, mirrored');
    expect(edgesWords(freshEdges('wrap', 'IN'))).toBe('a wrap of 1 ½ in bar and ½ in allowance, mirrored');
    expect(edgesWords(freshEdges('border', 'CM'))).toBe('a white border inside the paper, 15 mm');
  });

  it('is one number where only the whole band is known', () => {
    const band = { kind: 'wrap', bar: even(inches(3)), allowance: even(inches(0)), fill: { kind: 'drawn-out' }, marks: 'NONE' } as const;
    expect(edgesWords(band)).toBe('a wrap of 3 in, drawn out from the edge');
    expect(edgesWords({ ...band, bar: { ...band.bar, bottom: inches(4) } })).toBe(
      'a wrap, each side by itself, drawn out from the edge',
    );
  });

  it('says what a border has', () => {
    expect(
      edgesWords({
        kind: 'border',
        size: { kind: 'heavier-bottom', band: inches(1), bottom: inches(2.5) },
        colour: '#EEE8D0',
        keyLine: { width: { value: 0.5, unit: 'MM' }, colour: '#000000' },
        caption: { parts: [{ kind: 'title' }], letters: { value: 4, unit: 'MM' }, colour: '#000000' },
      }),
    ).toBe('a border of #EEE8D0, 1 in, 2 ½ in at the bottom, a key line, a caption');
    expect(edgesWords({ kind: 'border', size: { kind: 'outer', width: inches(11), height: inches(14) }, colour: '#ffffff' })).toBe(
      'a white border to 11 × 14 in',
    );
    expect(edgesWords(freshEdges('border', 'IN'))).toBe('a white border inside the paper, ½ in');
    expect(edgesWords(freshEdges('border', 'MM', false))).toBe('a white border, 15 mm');
    expect(captionWords({ kind: 'number', digits: 3 })).toBe('001');
  });

  it('knows a usual length in any unit', () => {
    expect(sameLength(inches(1), { value: 25.4, unit: 'MM' })).toBe(true);
    expect(sameLength(inches(0.125), { value: 3, unit: 'MM' })).toBe(false);
  });
});
