import type { Schemas } from '../../api/client';
import { intentPurposes, type TicketDocument } from '../ticket';
import type { Tried } from './Trial';

type Plan = Schemas['PlanNumbers'];
type Contour = Schemas['ContourView'];

export type Varied = 'sharpening' | 'intent';

/** One of the settings that paper is to decide between. */
export interface Setting {
  words: string;
  tried: Tried;
}

export interface Place {
  x: number;
  y: number;
}

/** Strengths that are told apart on paper; common practice, no source. */
const STRENGTHS = [0, 20, 40, 60, 80];
const USUAL_RADIUS_MM = 0.2;
const MOST_PLACES = 2;
const INCH = 25.4;

const intents = ['RELATIVE', 'PERCEPTUAL', 'SATURATION', 'ABSOLUTE'] as const;

/** The settings of a strip: strengths at the ticket's own radius, or every intent into the ticket's profile. */
export function settingsOf(varied: Varied, document: TicketDocument, plan: Plan): Setting[] {
  if (varied === 'intent') {
    const { colour } = document;
    if (colour.kind !== 'convert') return [];
    return intents.map((intent) => ({
      words: intentPurposes[intent].name,
      tried: { colour: { ...colour, intent, blackPoint: intent === 'ABSOLUTE' ? 'PLAIN' : 'COMPENSATED' } },
    }));
  }
  const { sharpening } = document;
  const radius =
    sharpening.kind === 'exact'
      ? sharpening.radius
      : { value: Math.round((plan.sharpening?.radiusMillimetres || USUAL_RADIUS_MM) * 100) / 100, unit: 'MM' as const };
  const threshold = sharpening.kind === 'exact' ? sharpening.threshold : 0;
  return STRENGTHS.map((strength) =>
    strength === 0
      ? { words: 'not sharpened', tried: { sharpening: { kind: 'none' } } }
      : { words: `strength ${strength}`, tried: { sharpening: { kind: 'exact', strength, radius, threshold } } },
  );
}

/** The part of a piece that shows its picture. */
export function roomOf({ picture, edges: { sheet } }: Pick<Plan, 'picture' | 'edges'>) {
  const x = Math.max(picture.x, sheet.x);
  const y = Math.max(picture.y, sheet.y);
  return {
    x,
    y,
    width: Math.min(picture.x + picture.width, sheet.x + sheet.width) - x,
    height: Math.min(picture.y + picture.height, sheet.y + sheet.height) - y,
  };
}

/** A crop's side in pixels: so many inches on paper, and never more than there is of the picture. */
export function sideOf(inches: number, plan: Plan): number {
  const room = roomOf(plan);
  return Math.floor(Math.min(inches * plan.markedPpi, room.width, room.height));
}

/** Where the picture's strongest contours are, apart from one another, and its middle; corners of crops inside the picture. */
export function placesOf(contours: Contour[], side: number, plan: Plan): Place[] {
  const room = roomOf(plan);
  const about = ({ x, y }: Place): Place => ({
    x: Math.round(Math.min(Math.max(x - side / 2, room.x), room.x + room.width - side)),
    y: Math.round(Math.min(Math.max(y - side / 2, room.y), room.y + room.height - side)),
  });
  const isApart = (one: Place, other: Place) => Math.abs(one.x - other.x) >= side || Math.abs(one.y - other.y) >= side;
  const places: Place[] = [];
  for (const wanted of [...contours, { x: room.x + room.width / 2, y: room.y + room.height / 2 }]) {
    const place = about(wanted);
    if (places.length < MOST_PLACES && places.every((other) => isApart(place, other))) places.push(place);
  }
  return places;
}

/** Papers for a strip, in millimetres: ISO 216, and a letter's 8.5 × 11 in. */
export const stripPapers = [
  { name: 'A4', width: 210, height: 297 },
  { name: 'Letter', width: 8.5 * INCH, height: 11 * INCH },
  { name: 'A3', width: 297, height: 420 },
];
