import { decimals } from './format';

/** A picture that holds this share of its pixels or more is as sharp as they let it be. */
const SHARP = 0.95;

interface Figures {
  realPpi: number;
  /** Up to which the picture holds detail; null where that was not measured. */
  heldPpi: number | null;
}

/** What is told where there is room for one figure. */
export function toldPpi({ realPpi, heldPpi }: Figures): number {
  return heldPpi ?? realPpi;
}

/** The real ppi, and what the picture holds of it where that is less. */
export function ppiText({ realPpi, heldPpi }: Figures): string {
  return heldPpi !== null && heldPpi < SHARP * realPpi
    ? `holds ${decimals(heldPpi, 0)} of ${decimals(realPpi, 0)} ppi`
    : `${decimals(realPpi, 0)} ppi real`;
}
