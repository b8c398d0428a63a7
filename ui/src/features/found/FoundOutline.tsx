import { useQuery } from '@tanstack/react-query';
import { foundQuery, type Found } from './queries';
import './outline.css';

/** What is offered, over a small picture: dashed, as nobody has taken it. */
export function FoundOutline({ found }: { found: Found }) {
  return (
    <svg className="found-outline" viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
      {found.scan.prints.map(({ corners }) => (
        <polygon key={`${corners[0]?.x} ${corners[0]?.y}`} points={corners.map(({ x, y }) => `${x},${y}`).join(' ')} />
      ))}
      {found.scan.prints.length === 0 && found.level && (
        <line x1={found.level.from.x} y1={found.level.from.y} x2={found.level.to.x} y2={found.level.to.y} />
      )}
    </svg>
  );
}

/** The same for a picture that was looked at before; nothing is looked for here. */
export function Offered({ originalId }: { originalId: string }) {
  const { data } = useQuery({ ...foundQuery(originalId), enabled: false });
  return data ? <FoundOutline found={data} /> : null;
}
