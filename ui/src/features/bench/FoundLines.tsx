import type { Found } from '../found';
import type { Looked } from './useFound';
import { ofOriented, toScreen, type Lie, type Seen } from './viewTransform';

interface Props {
  found: Found;
  looked: Looked;
  /** The print that would be taken; the others are drawn thinner. */
  print: number;
  lie: Lie;
  seen: Seen;
}

/** What was found, over the stage: dashed, as nobody has taken it. */
export function FoundLines({ found, looked, print, lie, seen }: Props) {
  const place = (at: { x: number; y: number }) => {
    const there = ofOriented(seen, at);
    const { x, y } = toScreen(lie, there.x, there.y);
    return `${x} ${y}`;
  };
  return (
    <svg className="found-lines" aria-hidden="true">
      {looked === 'border'
        ? found.scan.prints.map(({ corners }, i) => (
            <path key={i} className={i === print ? '' : 'found-other'} d={`M${corners.map(place).join('L')}Z`} />
          ))
        : found.level && <path d={`M${place(found.level.from)}L${place(found.level.to)}`} />}
    </svg>
  );
}
