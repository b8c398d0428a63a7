/** Papers that are at hand, in millimetres. Widths of rolls and sizes of sheets: common practice, no source; A3 by ISO 216. */
const INCH = 25.4;

export interface Paper {
  name: string;
  width: number;
  /** Of a sheet; null for a roll. */
  height: number | null;
}

const roll = (inches: number): Paper => ({ name: `roll of ${inches} in`, width: inches * INCH, height: null });
const sheet = (name: string, width: number, height: number): Paper => ({ name, width, height });

export const papers: Paper[] = [
  roll(17),
  roll(24),
  roll(44),
  roll(60),
  sheet('sheets of 13 × 19 in', 13 * INCH, 19 * INCH),
  sheet('sheets of 17 × 22 in', 17 * INCH, 22 * INCH),
  sheet('sheets of A3', 297, 420),
];
