import { bytes, decimals } from '../../shared/format';
import type { Profile } from './queries';

export const groups = ['Standard spaces', 'Papers that ship with Embrick', 'Added here'] as const;

export function groupOf({ origin, purpose }: Profile): (typeof groups)[number] {
  if (origin === 'IMPORTED') return groups[2];
  return purpose === 'OUTPUT' ? groups[1] : groups[0];
}

export const modelWords: Record<Profile['model'], string> = { GREY: 'grey', RGB: 'RGB', CMYK: 'CMYK' };

const purposeWords: Record<Profile['purpose'], string> = {
  INPUT: 'a camera or scanner',
  DISPLAY: 'a screen or a standard space',
  OUTPUT: 'a printer on a paper',
  SPACE: 'a colour space',
};

const intentNames: Record<Profile['tables'][number], string> = {
  PERCEPTUAL: 'perceptual',
  RELATIVE: 'relative',
  SATURATION: 'saturation',
  ABSOLUTE: 'absolute',
};

const order: Profile['tables'] = ['PERCEPTUAL', 'RELATIVE', 'SATURATION'];

/** What was read off a profile, line by line. */
export function facts(profile: Profile): { term: string; value: string }[] {
  const { white, black } = profile;
  const ways = order.filter((intent) => profile.tables.includes(intent)).map((intent) => intentNames[intent]);
  return [
    { term: 'for', value: `${modelWords[profile.model]}, ${purposeWords[profile.purpose]}` },
    { term: 'description', value: profile.name },
    ...(profile.alike ? [{ term: 'same as', value: profile.alike }] : []),
    { term: 'white', value: `L* ${decimals(white.l, 1)}, a* ${decimals(white.a, 1)}, b* ${decimals(white.b, 1)}` },
    { term: 'black', value: `L* ${decimals(black.l, 1)} on its white` },
    { term: 'type', value: ways.length > 0 ? `tables: ${ways.join(', ')}` : 'matrix and curves, for all intents' },
    { term: 'usable', value: profile.use === 'SOURCE_ONLY' ? 'as a source only' : 'as a source and for output' },
    { term: 'file', value: `ICC version ${profile.version}, ${bytes(profile.fileBytes)}` },
  ];
}
