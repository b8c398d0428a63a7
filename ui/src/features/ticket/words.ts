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
    case 'free':
      return 'a free shape, all its pixels';
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
      return `whole, inside ${fit.paper.toUpperCase() === '#FFFFFF' ? 'white paper' : `paper of ${fit.paper}`}${insideWords(fit)}`;
    case 'scale': {
      const printed = fit.printedPpi === null ? 'as its file says' : `${fit.printedPpi} original px to the inch`;
      return `at scale, ${printed}, ${anchorWords[fit.anchor]}${marksWords[fit.marks]}`;
    }
    default:
      return never(fit);
  }
}

const marksWords = { NONE: '', AT_CORNERS: ', with trim marks' } as const;

function insideWords({ margin, anchor, marks }: Extract<TicketDocument['fit'], { kind: 'inside' }>): string {
  const kept = margin.value > 0 ? `, ${lengthText(margin.value, margin.unit)} ${unitSymbol[margin.unit]} kept all round` : '';
  return `${kept}${anchor === 'MIDDLE' ? '' : `, ${anchorWords[anchor]}`}${marksWords[marks]}`;
}

type Anchor = Extract<TicketDocument['fit'], { kind: 'scale' }>['anchor'];

/** Rows of three, as they lie on the sheet. */
export const anchorWords: Record<Anchor, string> = {
  TOP_LEFT: 'top left',
  TOP: 'at the top',
  TOP_RIGHT: 'top right',
  LEFT: 'at the left',
  MIDDLE: 'in the middle',
  RIGHT: 'at the right',
  FOOT_LEFT: 'foot left',
  FOOT: 'at the foot',
  FOOT_RIGHT: 'foot right',
};

export const viewingWords: Record<TicketDocument['viewing'], string> = {
  HAND: 'in the hand',
  TABLE: 'at a table, 60 cm',
  WALL: 'on a wall, 1 m',
  BANNER: 'as a banner, 3 m',
};

export type Intent = Extract<TicketDocument['colour'], { kind: 'convert' }>['intent'];

/** ICC's intents, each with what it is for, in a line. */
export const intentPurposes: Record<Intent, { name: string; purpose: string }> = {
  RELATIVE: { name: 'relative', purpose: 'what fits stays exact, the rest goes to the rim' },
  PERCEPTUAL: { name: 'perceptual', purpose: 'all colours move a little, so that none merge' },
  SATURATION: { name: 'saturation', purpose: 'strength before likeness, for charts and signs' },
  ABSOLUTE: { name: 'absolute', purpose: 'as measured: white keeps its tint' },
};

/** @param title of the profile that is meant */
export function colourWords(colour: TicketDocument['colour'], title: string): string {
  switch (colour.kind) {
    case 'keep':
      return 'its own colours';
    case 'name':
      return `its own numbers, named ${title}`;
    case 'convert': {
      const intent = colour.intent === 'RELATIVE' ? '' : `, ${intentPurposes[colour.intent].name}`;
      const black = colour.blackPoint === 'PLAIN' && colour.intent !== 'ABSOLUTE' ? ', blacks as they fall' : '';
      return `${title}${intent}${black}`;
    }
    default:
      return never(colour);
  }
}

const depthWords = { AS_ORIGINAL: '', EIGHT: ', 8 bit', SIXTEEN: ', 16 bit' } as const;

type Method = TicketDocument['resampling']['method'];

/** Each method by its kernel. */
export const methodNames: Record<Exclude<Method, 'BY_ITSELF'>, string> = {
  NEAREST: 'nearest',
  AREA: 'area',
  BILINEAR: 'bilinear',
  KEYS: 'Keys cubic',
  MITCHELL: 'Mitchell–Netravali',
  LANCZOS3: 'Lanczos 3',
  CIRCULAR_LANCZOS: 'circular Lanczos',
};

/** What each method is for, in a line. */
export const methodPurposes: Record<Method, string> = {
  BY_ITSELF: 'Lanczos 3; Mitchell–Netravali past 3×',
  NEAREST: 'keeps hard pixels hard',
  AREA: 'quick, never rings',
  BILINEAR: 'quick and soft',
  KEYS: 'crisp, hardly rings',
  MITCHELL: 'enlarges far, without steps or rings',
  LANCZOS3: 'finest detail, no false patterns',
  CIRCULAR_LANCZOS: 'alike in every direction, slow',
};

export function resamplingWords(resampling: TicketDocument['resampling']): string {
  const method =
    resampling.method === 'BY_ITSELF' ? 'resampled as each needs' : `resampled by ${methodNames[resampling.method]}`;
  const light = resampling.light === 'LINEAR' ? ' as light' : '';
  const ringing = resampling.ringing === 'LIMITED' ? ', ringing held' : '';
  return `${method}${light}${ringing}`;
}

export const paperWords: Record<'LUSTRE' | 'MATT' | 'CANVAS', string> = {
  LUSTRE: 'lustre',
  MATT: 'matt paper',
  CANVAS: 'canvas',
};

export function sharpeningWords(sharpening: TicketDocument['sharpening']): string {
  switch (sharpening.kind) {
    case 'none':
      return 'edges as they are';
    case 'paper':
      return `edges isSharpened for ${paperWords[sharpening.paper]}`;
    case 'edges':
      return `edges isSharpened ${sharpening.strength}`;
    case 'wide':
      return `wide contrast isSharpened ${sharpening.strength}`;
    default:
      return never(sharpening);
  }
}

export function fileWords(file: TicketDocument['file']): string {
  switch (file.kind) {
    case 'jpeg':
      return `JPEG, quality ${file.quality}`;
    case 'tiff':
      return `TIFF${depthWords[file.depth]}${file.packing === 'PLAIN' ? '' : ', packed'}`;
    case 'png':
      return `PNG${depthWords[file.depth]}`;
    case 'pdf': {
      const pixels = file.pixels.kind === 'jpeg' ? `JPEG quality ${file.pixels.quality} inside` : `packed${depthWords[file.pixels.depth]}`;
      return `PDF pages, ${pixels}${file.marks === 'NONE' ? '' : ', with marks'}`;
    }
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
