import { convert, lengthText, unitSymbol, type LengthUnit } from '../../shared/format';
import type { TicketDocument } from './queries';

export type Edges = TicketDocument['edges'];
export type Bleed = Extract<Edges, { kind: 'bleed' }>;
export type Wrap = Extract<Edges, { kind: 'wrap' }>;
export type Border = Extract<Edges, { kind: 'border' }>;
export type Fill = Bleed['fill'];
export type Sides = Wrap['bar'];
export type CaptionPart = NonNullable<Border['caption']>['parts'][number];

export interface Spoken {
  value: number;
  unit: LengthUnit;
}

export const sideNames = ['top', 'right', 'bottom', 'left'] as const;

export function even(length: Spoken): Sides {
  return { top: length, right: length, bottom: length, left: length };
}

export function isEven(sides: Sides): boolean {
  return sideNames.every((side) => sides[side].value === sides.top.value && sides[side].unit === sides.top.unit);
}

export function isNothing(sides: Sides): boolean {
  return sideNames.every((side) => sides[side].value === 0);
}

export function spokenText({ value, unit }: Spoken): string {
  return `${lengthText(value, unit)} ${unitSymbol[unit]}`;
}

export function fillWords(fill: Fill): string {
  switch (fill.kind) {
    case 'picture':
      return 'of the picture itself';
    case 'mirror':
      return 'mirrored';
    case 'drawn-out':
      return 'drawn out from the edge';
    case 'plain':
      return `plain ${fill.colour}`;
    case 'grown':
      return 'grown from the picture';
    case 'rim-mean':
      return 'in the edge’s mean colour';
    default:
      return fill satisfies never;
  }
}

/** How edges are said in the ticket's sentence. */
export function edgesWords(edges: Edges): string {
  switch (edges.kind) {
    case 'none':
      return 'no edges';
    case 'bleed':
      return `${spokenText(edges.band)} of bleed, ${fillWords(edges.fill)}`;
    case 'wrap':
      return `${wrapWords(edges)}, ${fillWords(edges.fill)}`;
    case 'border':
      return borderWords(edges);
    default:
      return edges satisfies never;
  }
}

function wrapWords({ bar, allowance }: Wrap): string {
  if (!isEven(bar) || !isEven(allowance)) return 'a wrap, each side by itself';
  if (isNothing(allowance)) return `a wrap of ${spokenText(bar.top)}`;
  return `a wrap of ${spokenText(bar.top)} bar and ${spokenText(allowance.top)} allowance`;
}

function borderWords({ size, colour, keyLine, caption }: Border): string {
  const ground = colour.toUpperCase() === '#FFFFFF' ? 'a white border' : `a border of ${colour}`;
  const more = `${keyLine ? ', a key line' : ''}${caption ? ', a caption' : ''}`;
  switch (size.kind) {
    case 'inside':
      return `${ground} inside the paper, ${spokenText(size.band)}${more}`;
    case 'even':
      return `${ground}, ${spokenText(size.band)}${more}`;
    case 'heavier-bottom':
      return `${ground}, ${spokenText(size.band)}, ${spokenText(size.bottom)} at the bottom${more}`;
    case 'outer':
      return `${ground} to ${lengthText(size.width.value, size.width.unit)} × ${spokenText(size.height)}${more}`;
    default:
      return size satisfies never;
  }
}

export function captionWords(part: CaptionPart): string {
  switch (part.kind) {
    case 'file-name':
      return 'file name';
    case 'title':
      return 'title';
    case 'number':
      return '1'.padStart(part.digits, '0');
    case 'words':
      return `“${part.text}”`;
    default:
      return part satisfies never;
  }
}

/** Usual lengths, said in the unit that the ticket speaks. */
const usual = {
  bleed: { IN: { value: 0.125, unit: 'IN' }, MM: { value: 3, unit: 'MM' } },
  bar: { IN: { value: 1.5, unit: 'IN' }, MM: { value: 38, unit: 'MM' } },
  allowance: { IN: { value: 0.5, unit: 'IN' }, MM: { value: 12, unit: 'MM' } },
  border: { IN: { value: 0.5, unit: 'IN' }, MM: { value: 15, unit: 'MM' } },
  bottom: { IN: { value: 1, unit: 'IN' }, MM: { value: 30, unit: 'MM' } },
} as const satisfies Record<string, Record<string, Spoken>>;

export function usualLength(what: keyof typeof usual, unit: LengthUnit): Spoken {
  return usual[what][unit === 'IN' ? 'IN' : 'MM'];
}

/** What each kind begins with. */
export function freshEdges(kind: Edges['kind'], unit: LengthUnit, isPaper = true): Edges {
  const length = (what: keyof typeof usual) => usualLength(what, unit);
  switch (kind) {
    case 'none':
      return { kind };
    case 'bleed':
      return { kind, band: length('bleed'), safe: length('bleed'), fill: { kind: 'mirror' } };
    case 'wrap':
      return { kind, bar: even(length('bar')), allowance: even(length('allowance')), fill: { kind: 'mirror' }, marks: 'NONE' };
    case 'border':
      return { kind, size: { kind: isPaper ? 'inside' : 'even', band: length('border') }, colour: '#FFFFFF' };
    default:
      return kind satisfies never;
  }
}

/** Bars as they are sold, and bands as trimmers ask for them. */
export const bars: Spoken[] = [
  ...[0.75, 1, 1.5, 2, 2.5].map((value): Spoken => ({ value, unit: 'IN' })),
  ...[18, 38].map((value): Spoken => ({ value, unit: 'MM' })),
];
export const bleeds: Spoken[] = [
  { value: 3, unit: 'MM' },
  { value: 0.125, unit: 'IN' },
];

export function sameLength(a: Spoken, b: Spoken): boolean {
  return Math.abs(convert(a.value, a.unit, 'PT') - convert(b.value, b.unit, 'PT')) < 1e-6;
}
