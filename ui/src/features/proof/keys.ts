import type { KeyLine } from '../../shared/KeySheet';

/** The keys of the proof, in the order of its key sheet. */
export const keyLines: KeyLine[] = [
  { keys: ['Enter'], does: 'next picture' },
  { keys: ['Backspace'], does: 'previous picture' },
  { keys: ['←', '→', '↑', '↓'], does: 'move the part that is shown, with Shift further' },
  { keys: ['J'], does: 'next contour' },
  { keys: ['K'], does: 'next scale' },
  { keys: ['X'], does: 'before, after' },
  { keys: ['L'], does: 'lines on or off' },
  { keys: ['P'], does: 'soft proof on paper, on or off' },
  { keys: ['M'], does: 'gamut check on or off' },
  { keys: ['D'], does: 'show where the detail of an enlarged picture was learned' },
  { keys: ['V'], does: 'a wrapped canvas in space and on a wall; there the arrow keys turn it, F lays its sides flat' },
  { keys: ['A'], does: 'accept the grown background' },
  { keys: ['W'], does: 'show where the grown background is weak' },
  { keys: ['T'], does: 'grow another background' },
  { keys: ['0'], does: 'back to the strongest contour' },
  { keys: ['?'], does: 'this list' },
];
