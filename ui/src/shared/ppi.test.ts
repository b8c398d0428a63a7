import { expect, test } from 'vitest';
import { judgedPpi, ppiText, toldPpi } from './ppi';

test('a picture that is less sharp than its pixels is told by what it holds', () => {
  expect(ppiText({ realPpi: 300, heldPpi: 180 })).toBe('detail for 180 ppi only');
  expect(toldPpi({ realPpi: 300, heldPpi: 180 })).toBe(180);
});

test('one that is as sharp as usual or more, and one that was not measured, by its pixels', () => {
  expect(ppiText({ realPpi: 300, heldPpi: 295 })).toBe('300 ppi real');
  expect(ppiText({ realPpi: 300, heldPpi: 245 })).toBe('300 ppi real');
  expect(ppiText({ realPpi: 300, heldPpi: null })).toBe('300 ppi real');
  expect(toldPpi({ realPpi: 300, heldPpi: null })).toBe(300);
});

test('they are judged by what they hold, as usual ones where that was not measured', () => {
  expect(judgedPpi({ realPpi: 200, heldPpi: 200 })).toBeGreaterThan(judgedPpi({ realPpi: 240, heldPpi: null }));
  expect(judgedPpi({ realPpi: 300, heldPpi: 180 })).toBe(180);
});
