import { describe, expect, it } from 'vitest';
import { brickWords, fileWords, fitWords, sharpeningWords, sizeWords } from './words';

describe('a ticket reads as a sentence', () => {
  it('says sizes', () => {
    const inch = (value: number) => ({ value, unit: 'IN' as const });
    expect(sizeWords({ kind: 'paper', width: inch(8), height: inch(10) })).toBe('8 × 10 in');
    expect(sizeWords({ kind: 'paper', width: inch(3.5), height: inch(5) })).toBe('3 ½ × 5 in');
    expect(
      sizeWords({ kind: 'paper', width: { value: 210, unit: 'MM' }, height: { value: 297, unit: 'MM' } }),
    ).toBe('210 × 297 mm');
    expect(sizeWords({ kind: 'paper', width: inch(8), height: { value: 297, unit: 'MM' } })).toBe('8 in × 297 mm');
    expect(sizeWords({ kind: 'shape', shortSide: 4, longSide: 5 })).toBe('4 : 5, all its pixels');
    expect(sizeWords({ kind: 'own' })).toBe('its own shape and pixels');
  });

  it('says fits, files and bricks', () => {
    const inside = { kind: 'inside', paper: '#FFFFFF', anchor: 'MIDDLE', margin: { value: 0, unit: 'MM' }, marks: 'NONE' } as const;
    expect(fitWords(inside)).toBe('whole, on white paper');
    expect(fitWords({ ...inside, margin: { value: 6, unit: 'MM' }, anchor: 'BOTTOM', marks: 'AT_CORNERS' })).toBe(
      'whole, on white paper, 6 mm margin, at the bottom, with trim marks',
    );
    expect(fileWords({ kind: 'jpeg', quality: 90, chroma: 'FULL', mostBytes: 500_000, compressed: 'IF_CHANGED' })).toBe(
      'JPEG, quality 90 or less, up to 500 kB',
    );
    expect(fileWords({ kind: 'tiff', packing: 'DEFLATE', depth: 'EIGHT' })).toBe('TIFF, 8 bit, compressed by Deflate');
    expect(fileWords({ kind: 'png', depth: 'AS_ORIGINAL' })).toBe('PNG');
    expect(fileWords({ kind: 'pdf', pixels: { kind: 'jpeg', quality: 90, chroma: 'FULL' }, marks: 'CROP_AND_FOLD' })).toBe(
      'PDF pages, JPEG quality 90 inside, with marks',
    );
    expect(sharpeningWords({ kind: 'local-contrast', strength: 15, radius: { value: 2.5, unit: 'MM' } })).toBe('local contrast, strength 15');
    expect(sharpeningWords({ kind: 'out-of-focus', strength: 50, radius: 1.4, grain: 1 })).toBe('blur of 1.4 px undone');
    expect(sharpeningWords({ kind: 'moved', strength: 50, length: 8, degrees: 30, grain: 1 })).toBe('movement of 8 px undone');
    expect(brickWords({ kind: 'number', digits: 3, first: 1 })).toBe('001');
    expect(brickWords({ kind: 'number', digits: 3, first: 40 })).toBe('040');
    expect(brickWords({ kind: 'original', replace: { from: 'DSC_', to: 'kite-' } })).toBe('original, “DSC_” → “kite-”');
  });
});
