import type { Rect } from './viewTransform';

export type Guide = 'none' | 'thirds' | 'golden' | 'centre' | 'net';

export const guides: Guide[] = ['none', 'thirds', 'golden', 'centre', 'net'];

export const guideWords: Record<Guide, string> = {
  none: 'guides',
  thirds: 'thirds',
  golden: 'golden section',
  centre: 'centre lines',
  net: 'grid in the unit',
};

const GOLDEN = (Math.sqrt(5) - 1) / 2;

export function Guides({ guide, place, perUnit }: { guide: Guide; place: Rect; perUnit: number }) {
  const across = shares(guide, place.width, perUnit);
  const down = shares(guide, place.height, perUnit);
  return (
    <g className="guides">
      {across.map((at) => (
        <path key={`x${at}`} d={`M${place.x + at} ${place.y}v${place.height}`} />
      ))}
      {down.map((at) => (
        <path key={`y${at}`} d={`M${place.x} ${place.y + at}h${place.width}`} />
      ))}
    </g>
  );
}

function shares(guide: Guide, length: number, perUnit: number): number[] {
  switch (guide) {
    case 'none':
      return [];
    case 'thirds':
      return [length / 3, (2 * length) / 3];
    case 'golden':
      return [length * (1 - GOLDEN), length * GOLDEN];
    case 'centre':
      return [length / 2];
    case 'net': {
      const step = perUnit < 12 ? perUnit * 10 : perUnit;
      return Array.from({ length: Math.max(0, Math.ceil(length / step) - 1) }, (_, i) => (i + 1) * step);
    }
    default:
      return guide satisfies never;
  }
}
