import { decimals, unitSymbol } from '../../shared/format';
import type { TicketDocument } from './queries';
import { viewingOf } from './viewingOfSize';
import { sizeWords } from './words';

type Named = Pick<TicketDocument, 'name' | 'folder'>;
type Size = TicketDocument['size'];

/** The name and folder that a ticket of this size has until somebody writes others. */
export function namesOf(size: Size): Named {
  if (size.kind === 'paper') {
    const { width, height } = size;
    // Inches go without saying where both sides are.
    const unit = width.unit === 'IN' && height.unit === 'IN' ? '' : unitSymbol[height.unit];
    const across = `${decimals(width.value, 3)}${width.unit === height.unit ? '' : unitSymbol[width.unit]}`;
    return {
      name: `Prints ${unit ? sizeWords(size) : sizeWords(size).replace(/ in$/, '')}`,
      folder: `prints-${across}x${decimals(height.value, 3)}${unit}`,
    };
  }
  const words = sizeWords(size);
  const short = size.kind === 'scaled' && size.to.kind === 'side' ? `${size.to.pixels}px` : folderWords(words);
  return { name: `Pictures, ${words}`, folder: `pictures-${short}` };
}

const folderWords = (words: string) =>
  words
    .toLowerCase()
    .replace(/ × /g, 'x')
    .replace(/^a /, '')
    .replace(/[^a-z0-9.]+/g, '-')
    .replace(/-$/, '');

/** What a change of size also changes: name, folder and viewing distance, each where it still is that of the size that was. */
export function followed(document: TicketDocument, part: Partial<TicketDocument>, others: Named[]): Partial<TicketDocument> {
  if (!part.size) return part;
  const before = namesOf(document.size);
  const after = distinct(namesOf(part.size), others);
  const follows = (key: 'name' | 'folder') =>
    (part[key] ?? document[key]) === document[key] && isNumbered(document[key], before[key], key === 'name' ? ' ' : '-');
  return {
    ...part,
    ...(follows('name') && { name: after.name }),
    ...(follows('folder') && { folder: after.folder }),
    ...(part.viewing === undefined && document.viewing === viewingOf(document.size) && { viewing: viewingOf(part.size) }),
  };
}

function isNumbered(text: string, base: string, between: string): boolean {
  return text === base || (text.startsWith(base + between) && /^\d+$/.test(text.slice(base.length + 1)));
}

/** The same with a number behind it where others have the name or the folder already. */
export function distinct<T extends Named>(wanted: T, others: Named[]): T {
  const numbered = (key: 'name' | 'folder', between: string) => {
    const taken = new Set(others.map((other) => other[key]));
    if (!taken.has(wanted[key])) return wanted[key];
    // The copy of a copy is the next one.
    const end = wanted[key].lastIndexOf(between);
    const first = wanted[key].slice(0, end);
    const base = end > 0 && /^\d+$/.test(wanted[key].slice(end + 1)) && taken.has(first) ? first : wanted[key];
    for (let number = 2; ; number++) {
      const text = `${base}${between}${number}`;
      if (!taken.has(text)) return text;
    }
  };
  return { ...wanted, name: numbered('name', ' '), folder: numbered('folder', '-') };
}
