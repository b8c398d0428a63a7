import { describe, expect, it } from 'vitest';
import type { RollState } from '../roll';
import { loadedWords } from './PrintOnRoll';
import { firstWish } from './wish';

const roll = (width: number, left: number): RollState => ({
  state: 'REACHED',
  stop: null,
  loaded: { width, paper: 'lustre', left },
  inks: [],
  speed: 45,
  jobs: [],
});
const wish = firstWish('run');

describe('what the loaded roll will come to', () => {
  it('is enough, or goes on on the next', () => {
    expect(loadedWords(roll(609.6, 5000), wish, 2000)).toBe('24 in lustre, 5 m left: enough for these 2 m.');
    expect(loadedWords(roll(609.6, 1500), wish, 2000)).toMatch(/0.5 m too short. Printing continues on the next roll/);
  });

  it('waits for a wider one', () => {
    expect(loadedWords(roll(431.8, 5000), wish, 2000)).toMatch(/A roll of 17 in is loaded; this is laid for 24 in/);
  });

  it('is not known while the printer is away', () => {
    expect(loadedWords({ ...roll(1, 1), state: 'NOT_REACHED', loaded: undefined } as RollState, wish, 1)).toMatch(/cannot be reached/);
  });
});
