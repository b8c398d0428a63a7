import type { Schemas } from '../../api/client';
import { decimals, lengthText, unitSymbol } from '../../shared/format';
import type { TicketDocument } from './queries';

type Size = TicketDocument['size'];
type Brick = TicketDocument['names'][number];

type Measure = Extract<Size, { kind: 'scaled' }>['to'];

export const sideWords: Record<Extract<Measure, { kind: 'side' }>['side'], string> = {
  LONG: 'long side',
  SHORT: 'short side',
  WIDTH: 'width',
  HEIGHT: 'height',
};

function measureWords(to: Measure): string {
  switch (to.kind) {
    case 'side':
      return `a ${sideWords[to.side]} of ${to.pixels} px`;
    case 'length':
      return `a ${sideWords[to.side]} of ${lengthText(to.length.value, to.length.unit)} ${unitSymbol[to.length.unit]}`;
    case 'within':
      return `proportions kept, within ${to.width} × ${to.height} px`;
    case 'megapixels':
      return `${to.millions} megapixels`;
    case 'percent':
      return `${to.percent} % of their pixels`;
    default:
      return never(to);
  }
}

/** How each part of a ticket is said. */
export function sizeWords(size: Size): string {
  switch (size.kind) {
    case 'paper': {
      const { width, height } = size;
      return width.unit === height.unit
        ? `${lengthText(width.value, width.unit)} × ${lengthText(height.value, height.unit)} ${unitSymbol[height.unit]}`
        : `${lengthText(width.value, width.unit)} ${unitSymbol[width.unit]} × ${lengthText(height.value, height.unit)} ${unitSymbol[height.unit]}`;
    }
    case 'pixels':
      return `${size.width} × ${size.height} px`;
    case 'scaled':
      return `${measureWords(size.to)}${size.enlarging === 'ALLOWED' ? ', enlarged to it' : ''}`;
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
  SUIT: 'turned to suit each picture',
  UPRIGHT: 'always upright',
  WIDE: 'always wide',
};

export function fitWords(fit: TicketDocument['fit']): string {
  switch (fit.kind) {
    case 'fill':
      return 'filled to the edge';
    case 'inside':
      return `whole, on ${fit.paper.toUpperCase() === '#FFFFFF' ? 'white paper' : `paper of ${fit.paper}`}${insideWords(fit)}`;
    case 'grown':
      return `whole, missing background grown${fit.anchor === 'MIDDLE' ? '' : `, ${anchorWords[fit.anchor]}`}`;
    case 'scale': {
      const printed = fit.printedPpi === null ? 'as its file says' : `${fit.printedPpi} original pixels per inch`;
      return `at scale, ${printed}, ${anchorWords[fit.anchor]}${marksWords[fit.marks]}`;
    }
    case 'cut':
      return `cut out pixel for pixel, ${partWords[fit.anchor]}${marksWords[fit.marks]}`;
    default:
      return never(fit);
  }
}

const marksWords = { NONE: '', AT_CORNERS: ', with trim marks' } as const;

function insideWords({ margin, anchor, marks }: Extract<TicketDocument['fit'], { kind: 'inside' }>): string {
  const kept = margin.value > 0 ? `, ${lengthText(margin.value, margin.unit)} ${unitSymbol[margin.unit]} margin` : '';
  return `${kept}${anchor === 'MIDDLE' ? '' : `, ${anchorWords[anchor]}`}${marksWords[marks]}`;
}

type Anchor = Extract<TicketDocument['fit'], { kind: 'scale' }>['anchor'];

/** Which part of a picture is cut out. */
const partWords: Record<Anchor, string> = {
  TOP_LEFT: 'from the top left',
  TOP: 'from the top',
  TOP_RIGHT: 'from the top right',
  LEFT: 'from the left',
  MIDDLE: 'from the middle',
  RIGHT: 'from the right',
  BOTTOM_LEFT: 'from the bottom left',
  BOTTOM: 'from the bottom',
  BOTTOM_RIGHT: 'from the bottom right',
};

/** Rows of three, as they lie on the sheet. */
export const anchorWords: Record<Anchor, string> = {
  TOP_LEFT: 'top left',
  TOP: 'at the top',
  TOP_RIGHT: 'top right',
  LEFT: 'at the left',
  MIDDLE: 'in the middle',
  RIGHT: 'at the right',
  BOTTOM_LEFT: 'bottom left',
  BOTTOM: 'at the bottom',
  BOTTOM_RIGHT: 'bottom right',
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
  RELATIVE: { name: 'relative', purpose: 'printable colours stay exact, the others move to the nearest printable one' },
  PERCEPTUAL: { name: 'perceptual', purpose: 'all colours move a little, so that gradations stay' },
  SATURATION: { name: 'saturation', purpose: 'vivid before exact, for charts and signs' },
  ABSOLUTE: { name: 'absolute', purpose: 'as measured: white keeps its tint' },
};

/** @param title of the profile that is meant */
export function colourWords(colour: TicketDocument['colour'], title: string): string {
  switch (colour.kind) {
    case 'keep':
      return 'each picture’s own colours';
    case 'assign':
      return `${title}, assigned without converting`;
    case 'convert': {
      const intent = colour.intent === 'RELATIVE' ? '' : `, ${intentPurposes[colour.intent].name}`;
      const black = colour.blackPoint === 'PLAIN' && colour.intent !== 'ABSOLUTE' ? ', without black point compensation' : '';
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
  LEARNED: 'learned detail',
  LEARNED_SOFTENING: 'learned detail, JPEG marks softened',
};

/** What each method does with pictures, after their number. */
export const methodResults: Record<Exclude<Method, 'BY_ITSELF'>, string> = {
  NEAREST: 'resampled without blending',
  AREA: 'resampled by averages',
  BILINEAR: 'resampled, bilinear',
  KEYS: 'resampled by Keys cubic',
  MITCHELL: 'resampled by Mitchell–Netravali',
  LANCZOS3: 'resampled by Lanczos 3',
  CIRCULAR_LANCZOS: 'resampled by circular Lanczos',
  LEARNED: 'enlarged with added detail',
  LEARNED_SOFTENING: 'enlarged with added detail, JPEG marks softened',
};

/** What each method is for, in a line. */
export const methodPurposes: Record<Method, string> = {
  BY_ITSELF: 'learned detail when enlarged, beyond 4× Mitchell–Netravali; else Lanczos 3',
  NEAREST: 'no blending, for pixel art and screenshots',
  AREA: 'averages: quick, without ringing',
  BILINEAR: 'quick and soft',
  KEYS: 'crisp, with little ringing',
  MITCHELL: 'smooth when enlarged far, no ringing',
  LANCZOS3: 'finest detail',
  CIRCULAR_LANCZOS: 'equally sharp in every direction, slow',
  LEARNED: 'sharper edges, from 1.3× on',
  LEARNED_SOFTENING: 'for what was a JPEG once',
};

export function resamplingWords(resampling: TicketDocument['resampling']): string {
  const method =
    resampling.method === 'BY_ITSELF' ? 'resampled as suits each picture' : `resampled by ${methodNames[resampling.method]}`;
  const light = resampling.light === 'LINEAR' ? ' in linear light' : '';
  const ringing = resampling.ringing === 'LIMITED' ? ', ringing limited' : '';
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
      return 'not sharpened';
    case 'paper':
      return `sharpened for ${paperWords[sharpening.paper]}`;
    case 'screen':
      return 'sharpened for screens';
    case 'exact':
      return `sharpened by hand, strength ${sharpening.strength}`;
    case 'local-contrast':
      return `local contrast, strength ${sharpening.strength}`;
    case 'out-of-focus':
      return `blur of ${decimals(sharpening.radius, 1)} px undone`;
    case 'moved':
      return `movement of ${decimals(sharpening.length, 1)} px undone`;
    default:
      return never(sharpening);
  }
}

const chromaWords: Record<Extract<TicketDocument['file'], { kind: 'jpeg' }>['chroma'], string> = {
  FULL: '',
  HALF_WIDTH: ', 4:2:2',
  HALF: ', 4:2:0',
};

const packingWords = { PLAIN: '', LZW: ', compressed by LZW', DEFLATE: ', compressed by Deflate' };

/** The most bytes of a file, where they are limited. */
const limitWords = (most?: number | null) => (most ? ` or less, up to ${decimals(most / 1000, 0)} kB` : '');

export function fileWords(file: TicketDocument['file']): string {
  switch (file.kind) {
    case 'jpeg':
      return `JPEG, quality ${file.quality}${chromaWords[file.chroma]}${limitWords(file.mostBytes)}${file.compressed === 'ALWAYS' ? ', recompressed in any case' : ''}`;
    case 'tiff':
      return `TIFF${depthWords[file.depth]}${packingWords[file.packing]}`;
    case 'png':
      return `PNG${depthWords[file.depth]}`;
    case 'webp':
      return file.quality ? `WebP, quality ${file.quality}` : 'WebP, lossless';
    case 'as-it-is':
      return 'their own files, untouched';
    case 'pdf': {
      const pixels = file.pixels.kind === 'jpeg' ? `JPEG quality ${file.pixels.quality}${chromaWords[file.pixels.chroma]} inside` : `lossless${depthWords[file.pixels.depth]}`;
      return `PDF pages, ${pixels}${file.marks === 'NONE' ? '' : ', with marks'}`;
    }
    default:
      return never(file);
  }
}

export const hasWords = (texts: Schemas['MetadataTexts']): boolean =>
  Object.values(texts).some((text) => text !== null && text.length > 0);

export function metadataWords({ kept, place, serialNumbers, texts }: Schemas['MetadataDocument']): string {
  const own = hasWords(texts) ? ', and words of its own' : '';
  switch (kept) {
    case 'ALL': {
      const dropped = [place === 'DROPPED' && 'the place', serialNumbers === 'DROPPED' && 'serial numbers'].filter(Boolean);
      return `all metadata${dropped.length > 0 ? ` but ${dropped.join(' and ')}` : ''}${own}`;
    }
    case 'CREDITS_AND_CAPTION':
      return `creator, rights, title and caption${own}`;
    case 'CREDITS':
      return `creator and rights${own}`;
    case 'NONE':
      return own ? 'only words of its own' : 'no metadata';
    default:
      return never(kept);
  }
}

export const letterWords: Record<NonNullable<TicketDocument['letters']>, string> = {
  AS_IT_IS: 'upper and lower case unchanged',
  LOWER: 'in small letters',
  UPPER: 'in capital letters',
};

export const markPlaceWords: Record<NonNullable<TicketDocument['mark']>['place'], string> = {
  TOP_LEFT: 'top left',
  TOP: 'at the top',
  TOP_RIGHT: 'top right',
  LEFT: 'at the left',
  MIDDLE: 'in the middle',
  RIGHT: 'at the right',
  BOTTOM_LEFT: 'bottom left',
  BOTTOM: 'at the bottom',
  BOTTOM_RIGHT: 'bottom right',
  ACROSS: 'across the picture',
  TILED: 'tiled over the picture',
};

export function markWords(mark: TicketDocument['mark']): string {
  if (!mark) return 'without a mark';
  const drawn = mark.content.kind === 'words' ? `“${mark.content.text.trim()}”` : 'a figure';
  return `with ${drawn} drawn ${markPlaceWords[mark.place]}`;
}

export const subfolderWords: Record<NonNullable<TicketDocument['subfolders']>, string> = {
  FLATTENED: 'all in one folder',
  KEPT: 'in the subfolders of the pile',
};

export function brickWords(brick: Brick): string {
  switch (brick.kind) {
    case 'original':
      return brick.replace ? `original, “${brick.replace.from}” → “${brick.replace.to}”` : 'original';
    case 'job':
    case 'ticket':
    case 'size':
    case 'date':
    case 'pixels':
      return brick.kind;
    case 'copies':
      return 'copies';
    case 'bar':
      return 'bar depth';
    case 'picture-number':
      return 'its own number';
    case 'picture-date':
      return 'date taken';
    case 'number':
      return String(brick.first ?? 1).padStart(brick.digits, '0');
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
  { label: 'the pixels', brick: { kind: 'pixels' } },
  { label: 'the depth of the bar', brick: { kind: 'bar' } },
  { label: 'how many copies, where more than one', brick: { kind: 'copies' } },
  { label: 'a running number', brick: { kind: 'number', digits: 3, first: 1 } },
  { label: "the number in the original's name", brick: { kind: 'picture-number' } },
  { label: 'the date of the run', brick: { kind: 'date' } },
  { label: 'the date the picture was taken', brick: { kind: 'picture-date' } },
  { label: 'own words', brick: { kind: 'words', text: '-' } },
];

function never(value: never): never {
  throw new Error(`unexpected ${JSON.stringify(value)}`);
}
