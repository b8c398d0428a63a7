import { decimals, fromInches, unitSymbol, type LengthUnit } from '../../shared/format';
import type { Relation } from './queries';

/** Millimetres; a hand from wrist to fingertip, and a person. Common practice, no source. */
const HAND = 185;
const PERSON = 1700;
/** From this long a sheet is held against a person. */
const FOR_A_PERSON = 700;

/** The sheet with its pixels, beside a hand or a person at true proportion. */
export function TrueProportion({ relation, unit }: { relation: Relation; unit: LengthUnit }) {
  const width = (relation.width / relation.ppi) * 25.4;
  const height = (relation.height / relation.ppi) * 25.4;
  const isLarge = Math.max(width, height) > FOR_A_PERSON;
  const beside = isLarge ? PERSON : HAND;
  const room = beside * 0.62;
  const gap = beside * 0.12;
  const tall = Math.max(height, beside);
  const side = (pixels: number) => decimals(fromInches(pixels / relation.ppi, unit), 2);
  const text = Math.max(tall, width + gap + room) / 24;
  return (
    <figure className="card desk-drawing">
      <svg
        viewBox={`${-text} ${-text * 2} ${width + gap + room + text * 2} ${tall + text * 4}`}
        role="img"
        aria-label={`A sheet of ${side(relation.width)} × ${side(relation.height)} ${unitSymbol[unit]} beside ${isLarge ? 'a person' : 'a hand'}`}
      >
        <rect className="desk-sheet" x={0} y={tall - height} width={width} height={height} />
        <text x={width / 2} y={tall - height - text * 0.5} fontSize={text} textAnchor="middle">
          {relation.width} × {relation.height} px
        </text>
        <g transform={`translate(${width + gap} ${tall - beside})`}>{isLarge ? <Person /> : <Hand />}</g>
        <text x={width / 2} y={tall + text * 1.5} fontSize={text} textAnchor="middle">
          {side(relation.width)} × {side(relation.height)} {unitSymbol[unit]}
        </text>
      </svg>
      <figcaption className="quiet">
        beside {isLarge ? 'a person of 1.70 m' : 'a hand of 18.5 cm'}, at true proportion
      </figcaption>
    </figure>
  );
}

/** 185 mm high and 90 wide. */
function Hand() {
  return (
    <path
      className="desk-figure"
      d="M28 185 C24 160 8 132 4 112 C1 102 10 96 17 104 L27 118 L22 46 C21 34 34 32 36 44 L40 88 L41 22 C41 9 54 9 55 22 L57 87 L63 33 C64 21 76 22 76 34 L72 92 L82 56 C85 46 96 49 94 60 L84 122 C81 148 76 162 76 185 Z"
    />
  );
}

/** 1700 mm high. */
function Person() {
  return (
    <path
      className="desk-figure"
      d="M300 0 C240 0 205 45 205 105 C205 165 240 215 300 215 C360 215 395 165 395 105 C395 45 360 0 300 0 Z M190 245 C130 250 100 285 92 345 L55 760 C52 800 105 808 112 768 L165 430 L165 900 L150 1640 C149 1690 245 1690 250 1640 L290 960 L310 960 L350 1640 C355 1690 451 1690 450 1640 L435 900 L435 430 L488 768 C495 808 548 800 545 760 L508 345 C500 285 470 250 410 245 Z"
    />
  );
}
