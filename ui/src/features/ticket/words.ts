import { lengthText, unitSymbol } from '../../shared/format';
import type { TicketDocument } from './queries';

type Size = TicketDocument['size'];
type Brick = TicketDocument['names'][number];

/** How each part of a ticket is said. */
export function sizeWords(size: Size): string {
  switch (size.kind) {
    case 'paper': {
      const { width, height } = size;
      return width.unit === height.unit
        ? `${lengthText(width.value, width.unit)} × ${lengthText(height.value, height.unit)} ${unitSymbol[height.unit]}`
        : `${lengthText(width.value, width.unit)} ${unitSymbol[width.unit]} × ${lengthText(height.value, height.unit)} ${unitSymbol[height.unit]}`;
    }
    case 'shape':
      return `${size.shortSide} : ${size.longSide}, all its pixels`;
    case 'own':
      return 'its own shape and pixels';
    default:
      return never(size);
  }
}

export const turnWords: Record<TicketDocument['turn'], string> = {
  SUIT: 'turned to suit',
  UPRIGHT: 'always upright',
  WIDE: 'always wide',
};

export function fitWords(fit: TicketDocument['fit']): string {
  switch (fit.kind) {
    case 'fill':
      return 'filled to the edge';
    case 'inside':
      return fit.paper.toUpperCase() === '#FFFFFF' ? 'whole, inside white paper' : `whole, inside paper of ${fit.paper}`;
    default:
      return never(fit);
  }
}

export const viewingWords: Record<TicketDocument['viewing'], string> = {
  HAND: 'in the hand',
  TABLE: 'at a table, 60 cm',
  WALL: 'on a wall, 1 m',
  BANNER: 'as a banner, 3 m',
};

export const colourWords: Record<TicketDocument['colour'], string> = {
  SRGB: 'sRGB',
  ORIGINAL: "the original's profile",
};

export function fileWords(file: TicketDocument['file']): string {
  switch (file.kind) {
    case 'jpeg':
      return `JPEG, quality ${file.quality}`;
    case 'tiff':
      return file.packing === 'PLAIN' ? 'TIFF' : 'TIFF, packed';
    case 'png':
      return 'PNG';
    default:
      return never(file);
  }
}

export function brickWords(brick: Brick): string {
  switch (brick.kind) {
    case 'original':
    case 'job':
    case 'ticket':
    case 'size':
    case 'date':
      return brick.kind;
    case 'number':
      return '1'.padStart(brick.digits, '0');
    case 'words':
      return `“${brick.text}”`;
    default:
      return never(brick);
  }
}

export const newBricks: { label: string; brick: Brick }[] = [
  { label: "the original's name", brick: { kind: 'original' } },
  { label: "the job's name", brick: { kind: 'job' } },
  { label: "the ticket's name", brick: { kind: 'ticket' } },
  { label: 'the size', brick: { kind: 'size' } },
  { label: 'a running number', brick: { kind: 'number', digits: 3 } },
  { label: 'the date', brick: { kind: 'date' } },
  { label: 'own words', brick: { kind: 'words', text: '-' } },
];

function never(value: never): never {
  throw new Error(`unexpected ${JSON.stringify(value)}`);
}
