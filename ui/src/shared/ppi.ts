import { decimals } from './format';

/** Usual photographs hold detail up to this share of their real ppi; what holds less is told as unsharp. */
const USUALLY_HELD = 0.8;

interface Figures {
  realPpi: number;
  /** Up to which the picture holds detail; null where that was not measured. */
  heldPpi: number | null;
}

const isUnsharp = ({ realPpi, heldPpi }: Figures) => heldPpi !== null && heldPpi < USUALLY_HELD * realPpi;

/** What a picture holds, as it is judged: a usual one's share where it was not measured. */
export function judgedPpi({ realPpi, heldPpi }: Figures): number {
  return heldPpi ?? USUALLY_HELD * realPpi;
}

/** What is told where there is room for one figure. */
export function toldPpi(figures: Figures): number {
  return isUnsharp(figures) ? judgedPpi(figures) : figures.realPpi;
}

/** The real ppi, and what the picture holds of it where that is less than usual. */
export function ppiText(figures: Figures): string {
  const real = decimals(figures.realPpi, 0);
  return isUnsharp(figures) ? `detail for ${decimals(judgedPpi(figures), 0)} ppi only` : `${real} ppi real`;
}
