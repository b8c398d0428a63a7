import type { Schemas } from '../api/client';

export type LengthUnit = Schemas['TicketDocument']['unit'];

const perInch: Record<LengthUnit, number> = { IN: 1, CM: 2.54, MM: 25.4, PT: 72 };
export const unitSymbol: Record<LengthUnit, string> = { IN: 'in', CM: 'cm', MM: 'mm', PT: 'pt' };

/** Eighths of an inch as people write them. */
const eighths = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

export function fromInches(inches: number, unit: LengthUnit): number {
  return inches * perInch[unit];
}

export function convert(value: number, from: LengthUnit, to: LengthUnit): number {
  return (value / perInch[from]) * perInch[to];
}

interface Length {
  value: number;
  unit: LengthUnit;
}

/**
 * The same with all its lengths in one unit, for reading. Points stay: type is measured in them whatever paper is.
 *
 * @param part of a ticket
 */
export function spokenIn<T>(part: T, unit: LengthUnit): T {
  if (Array.isArray(part)) return part.map((one: unknown) => spokenIn(one, unit)) as T;
  if (typeof part !== 'object' || part === null) return part;
  if (isLength(part)) {
    if (part.unit === unit || part.unit === 'PT') return part;
    return { ...part, value: convert(part.value, part.unit, unit), unit };
  }
  return Object.fromEntries(Object.entries(part).map(([name, value]) => [name, spokenIn<unknown>(value, unit)])) as T;
}

const isLength = (part: object): part is Length =>
  'value' in part && typeof part.value === 'number' && 'unit' in part && typeof part.unit === 'string' && part.unit in perInch;

/** A length for reading: inches in eighths where it is one, else decimals that suit the unit. */
export function lengthText(value: number, unit: LengthUnit): string {
  if (unit === 'IN') {
    const whole = Math.floor(value + 1e-9);
    const part = (value - whole) * 8;
    if (Math.abs(part - Math.round(part)) < 1e-6) {
      const eighth = eighths[Math.round(part)] ?? '';
      return whole === 0 && eighth ? eighth : eighth ? `${whole} ${eighth}` : String(whole);
    }
  }
  const usual = unit === 'MM' || unit === 'PT' ? 1 : 2;
  // Small lengths keep two digits that count: 0.09 mm is not 0.1 mm.
  const needed = value > 0 ? 1 - Math.floor(Math.log10(value)) : 0;
  return decimals(value, Math.min(5, Math.max(usual, needed)));
}

export function decimals(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

export function bytes(count: number): string {
  if (count < 1024 * 1024) return `${Math.max(1, Math.round(count / 1024))} KiB`;
  if (count < 1024 ** 3) return `${decimals(count / 1024 ** 2, count < 10 * 1024 ** 2 ? 1 : 0)} MiB`;
  return `${decimals(count / 1024 ** 3, 1)} GiB`;
}

export function pixels(width: number, height: number): string {
  return `${width} × ${height}`;
}

/** `a`, or `a of b` words for counts: 1 picture, 2 pictures. */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`;
}

const list = new Intl.ListFormat('en', { type: 'conjunction' });

/** Words as a list, "a, b, and c". */
export function listed(words: string[]): string {
  return list.format(words);
}

export function fileName(path: string): string {
  return path.slice(path.lastIndexOf('/') + 1);
}

export function stem(path: string): string {
  const name = fileName(path);
  const dot = name.lastIndexOf('.');
  return dot > 0 ? name.slice(0, dot) : name;
}

export function time(iso: string): string {
  return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

export function day(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

export function longDay(date: Date): string {
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
}

export function duration(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const rest = String(whole % 60).padStart(2, '0');
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${rest}` : `${minutes}:${rest}`;
}

/** A length of paper that was measured, in the ticket's unit, to a hundredth of it. */
export function measuredText(millimetres: number, unit: LengthUnit): string {
  return `${lengthText(Math.round(fromInches(millimetres / 25.4, unit) * 100) / 100, unit)} ${unitSymbol[unit]}`;
}
