import { whyNotPrinted } from '../../api/estimates';
import type { Schemas } from '../../api/client';
import { decimals } from '../../shared/format';
import { judgedPpi, ppiText } from '../../shared/ppi';
import type { Level } from '../../shared/Verdict';

export type Original = Schemas['OriginalView'];
export type PictureEstimate = Schemas['PictureEstimate'];

/** An original with what the ticket makes of it. */
export interface Entry {
  original: Original;
  estimate?: PictureEstimate;
  /** Whether a person has said yes to its framing in the ticket's shape. */
  framed: boolean;
  /** What it has of its own beside the ticket, in words. */
  own: string;
  /** What has become of the file that it lies in, on the server's disks, since it was taken in. */
  astray?: Astray | undefined;
  /** What its print loses of its colours, where that was looked for. */
  loss?: Schemas['LossView'] | undefined;
  /** What comes near a fold or trim, where that was looked for. */
  crossings?: Schemas['CrossingsView'] | undefined;
}

export type Astray = 'changed' | 'vanished';

/** Pictures of opened folders that are no longer as they were taken in. */
export function astrayIn(folders: { changed: string[]; vanished: string[] }[]): Map<string, Astray> {
  const found = new Map<string, Astray>();
  for (const { changed, vanished } of folders) {
    changed.forEach((id) => found.set(id, 'changed'));
    vanished.forEach((id) => found.set(id, 'vanished'));
  }
  return found;
}

const astrayWords: Record<Astray, string> = {
  changed: 'file changed: not printed',
  vanished: 'file gone: not printed',
};

export type FilterKey = 'all' | 'look' | 'wide' | 'upright' | 'square' | 'no-profile' | 'small' | 'unframed' | 'own' | 'left-out';
export type ShownOrder = 'pixels' | 'ppi' | 'weight' | 'colour' | 'folds';

export const filters: { key: FilterKey; words: string; holds: (entry: Entry) => boolean }[] = [
  { key: 'all', words: 'all', holds: () => true },
  { key: 'look', words: 'need attention', holds: (entry) => needsALook(entry) },
  { key: 'wide', words: 'wide', holds: ({ original: { facts } }) => !!facts && facts.width > facts.height },
  { key: 'upright', words: 'upright', holds: ({ original: { facts } }) => !!facts && facts.width < facts.height },
  { key: 'square', words: 'square', holds: ({ original: { facts } }) => !!facts && facts.width === facts.height },
  { key: 'no-profile', words: 'no profile', holds: ({ original: { facts } }) => facts?.profileOrigin === 'ASSUMED' },
  { key: 'small', words: 'too small', holds: ({ estimate }) => estimate?.verdict === 'POOR' },
  { key: 'unframed', words: 'not framed', holds: ({ original, framed }) => original.forPieces && !framed },
  { key: 'own', words: 'with own settings', holds: ({ own }) => own !== '' },
  { key: 'left-out', words: 'excluded', holds: ({ original }) => original.leftOut },
];

export function needsALook({ original, estimate, astray }: Entry): boolean {
  return astray !== undefined || original.state !== 'SOUND' || estimate?.verdict === 'POOR' || (estimate !== undefined && whyNotPrinted(estimate) !== undefined);
}

const ppiOf = ({ estimate }: Entry) => (estimate ? judgedPpi(estimate) : 0);

const order: Record<ShownOrder, (a: Entry, b: Entry) => number> = {
  pixels: (a, b) => area(b) - area(a),
  ppi: (a, b) => ppiOf(a) - ppiOf(b),
  colour: (a, b) => (b.loss?.meanDifference ?? -1) - (a.loss?.meanDifference ?? -1),
  folds: (a, b) => (b.crossings?.figure ?? -1) - (a.crossings?.figure ?? -1),
  weight: (a, b) => (b.original.facts?.unpackedBytes ?? 0) - (a.original.facts?.unpackedBytes ?? 0),
};

/** Orders that the server keeps: pieces are numbered, listed and laid out in them. */
export const keptOrders: Record<Schemas['JobView']['pileOrder'], string> = {
  NAME: 'by name',
  DATE: 'by date taken',
  HAND: 'by hand',
  LOSS: 'by colour loss, as it was',
};

export const shownOrders: Record<ShownOrder, string> = {
  pixels: 'by pixels, largest first',
  ppi: 'by real ppi, lowest first',
  weight: 'by uncompressed size, largest first',
  colour: 'by colour loss, largest first',
  folds: 'by detail near folds',
};

function area({ original: { facts } }: Entry): number {
  return facts ? facts.width * facts.height : 0;
}

/** @param by another order than the server's, which they come in */
export function arranged(entries: Entry[], filter: FilterKey, by?: ShownOrder, wanted = ''): Entry[] {
  const holds = filters.find(({ key }) => key === filter)?.holds ?? (() => true);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const isFound = ({ original }: Entry) => {
    const said = [original.path, saidText(original)].join(' ').toLowerCase();
    return words.every((word) => said.includes(word));
  };
  const found = entries.filter((entry) => holds(entry) && isFound(entry));
  return by ? found.sort(order[by]) : found;
}

/** Title, creator and day of taking, as its file says them. */
export function saidText({ title, creator, taken }: Original): string {
  return [title, creator, taken?.slice(0, 10)].filter(Boolean).join(' · ');
}

/** The one line that says how a picture stands. */
export function stateOf({ original, estimate, own, astray }: Entry): { level: Level; text: string } {
  if (astray) return { level: 'POOR', text: astrayWords[astray] };
  if (original.damage && original.printedDamaged) return { level: 'SOFT', text: 'damaged, but printed' };
  if (original.damage) return { level: 'POOR', text: 'damaged: not printed' };
  if (original.problem) return { level: 'POOR', text: original.problem.remedy.replace(/\.$/, '').toLowerCase() };
  if (original.leftOut) return { level: 'SOFT', text: 'excluded from runs' };
  const problem = estimate && whyNotPrinted(estimate);
  if (problem) return { level: 'POOR', text: problem.text };
  if (!estimate?.verdict) return { level: 'FINE', text: 'ready' };
  const apart = own ? `, ${own}` : '';
  return { level: estimate.verdict, text: `${estimate.verdict.toLowerCase()}, ${ppiText(estimate)}${apart}` };
}

/** What its print loses of its colours, in a line. */
export function lossText({ loss }: Entry): string {
  if (!loss) return '';
  const share = loss.unprintableShare * 100;
  const beyond = share === 0 ? 'all printable' : `${share < 0.1 ? 'under 0.1' : decimals(share, 1)} % not printable`;
  return `mean ΔE00 ${decimals(loss.meanDifference, 1)}, ${beyond}`;
}

/** What comes near a fold or trim, in a line; its figure is 100 on the line, 0 where nothing does. */
export function crossingsText({ crossings }: Entry): string {
  if (!crossings) return '';
  if (crossings.withinMillimetres === 0) return 'no fold or trim on this ticket';
  if (crossings.figure === 0) return 'folds and trims clear';
  return `${crossings.figure} of 100: ${crossings.crossings.map(({ side }) => side.toLowerCase()).join(', ')}`;
}

const depthWords = (bits: number) => (bits === 16 ? ', 16 bit' : '');
const originWords: Record<NonNullable<Original['facts']>['profileOrigin'], (profile: string) => string> = {
  EMBEDDED: (profile) => profile,
  NAMED: (profile) => profile,
  ASSUMED: (profile) => `no profile: ${profile} assumed`,
  BY_HAND: (profile) => `${profile}, by hand`,
};
const modelWords = { GREY: 'grey', RGB: '', CMYK: 'CMYK' } as const;

/** Profile and what is odd about a file, in words. */
export function colourText(original: Original): string {
  const facts = original.facts;
  if (!facts) return '—';
  const profile = originWords[facts.profileOrigin](facts.profile);
  const model = modelWords[facts.model];
  return `${model ? `${model}, ` : ''}${profile}${depthWords(facts.bitsPerChannel)}`;
}

/** What its pixels are worth, in a few words. */
export function detailText({ facts }: Original): string {
  const parts = [];
  if (facts?.detail.heldShare != null) parts.push(`${decimals(facts.detail.heldShare * 100, 0)} %`);
  if (facts?.detail.jpegQuality != null) parts.push(`JPEG ${facts.detail.jpegQuality}`);
  return parts.join(', ');
}

/** The same in whole sentences. */
export function detailSentences({ facts }: Original): string {
  if (!facts) return '';
  const { heldShare, jpegQuality, blockMarks } = facts.detail;
  const parts = [];
  if (heldShare != null) {
    parts.push(
      heldShare === 1
        ? 'Holds as much detail as its pixels can.'
        : `Holds detail up to ${decimals(heldShare * 100, 0)} % of its pixels per inch: read from how its edges are spread.`,
    );
  }
  if (jpegQuality != null) parts.push(`A JPEG of quality ${jpegQuality} of 100.`);
  if (blockMarks != null && blockMarks >= 0.1) parts.push(`JPEG left marks of ${decimals(blockMarks, 1)} of 255 at the borders of its blocks.`);
  return parts.join(' ');
}

export function oddities(original: Original): string {
  const facts = original.facts;
  if (!facts) return '';
  const parts = [];
  if (facts.orientation !== 1) parts.push('turned upright automatically');
  if (facts.seeThrough) parts.push('transparent parts');
  if (facts.firstOfSeveral) parts.push('the first of several pictures in the file');
  if (original.metadataDamaged) parts.push('damaged metadata (will not be copied)');
  parts.push(...facts.remarks);
  return parts.join(', ');
}

/** Where the picture as it is seen stops being sound, as the share to cut off on each side: top, right, bottom, left. */
export function damagedPart({ damage }: Original): { top: string; right: string; bottom: string; left: string } | undefined {
  if (!damage) return undefined;
  const sound = `${damage.share * 100}%`;
  const sides = { top: '0', right: '0', bottom: '0', left: '0' };
  switch (damage.from) {
    case 'TOP':
      return { ...sides, top: sound };
    case 'RIGHT':
      return { ...sides, right: sound };
    case 'BOTTOM':
      return { ...sides, bottom: sound };
    case 'LEFT':
      return { ...sides, left: sound };
  }
}

/** The pictures to be moved, and the one that they come before; none for the end. */
export interface Move {
  moved: string[];
  before: string | null;
}

/**
 * Moves a picture, or all that are chosen if it is one of them, to a place in the list that is shown.
 *
 * @param before the place of the picture that they come before; the length of the list for the end
 */
export function moveTo(shown: Entry[], chosen: ReadonlySet<string>, from: number, before: number): Move | undefined {
  const taken = shown[from]?.original.id;
  if (taken === undefined) return undefined;
  const moved = chosen.has(taken) ? shown.map(({ original }) => original.id).filter((id) => chosen.has(id)) : [taken];
  const isMoved = (entry: Entry | undefined) => entry !== undefined && moved.includes(entry.original.id);
  let at = Math.max(0, before);
  while (isMoved(shown[at])) at++;
  const isThere = moved.length === 1 && (before === from || before === from + 1);
  return isThere ? undefined : { moved, before: shown[at]?.original.id ?? null };
}

/** All that are chosen, before all others. */
export function firstOf(entries: Entry[], chosen: ReadonlySet<string>): Move {
  const ids = entries.map(({ original }) => original.id);
  return { moved: ids.filter((id) => chosen.has(id)), before: ids.find((id) => !chosen.has(id)) ?? null };
}
