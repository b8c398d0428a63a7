import { expect, test } from 'vitest';
import { ppiText, toldPpi } from './ppi';

test('a picture that is less sharp than its pixels is told by what it holds', () => {
  expect(ppiText({ realPpi: 300, heldPpi: 180 })).toBe('holds 180 of 300 ppi');
  expect(toldPpi({ realPpi: 300, heldPpi: 180 })).toBe(180);
});

test('a sharp one, and one that was not measured, by its pixels', () => {
  expect(ppiText({ realPpi: 300, heldPpi: 295 })).toBe('300 ppi real');
  expect(ppiText({ realPpi: 300, heldPpi: null })).toBe('300 ppi real');
  expect(toldPpi({ realPpi: 300, heldPpi: null })).toBe(300);
});
