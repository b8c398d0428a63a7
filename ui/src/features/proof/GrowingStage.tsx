import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { Loading } from '../../shared/states';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { reducedSheet, type Look, type ProofSubject } from '../pixels';
import { proofQuery } from './queries';

interface Props {
  view: Schemas['BackgroundView'] | undefined;
  /** With another fill, which is there at once. */
  subject: ProofSubject | undefined;
  plan: Schemas['PlanNumbers'];
  look: Look;
}

const LONGEST = 900;

/** While a background is grown, and where it was declined: the picture without it, with the places that were in the way. */
export function GrowingStage({ view, subject, plan, look }: Props) {
  const reduction = Math.max(1, Math.max(plan.width, plan.height) / LONGEST);
  const asked = reduction === 1 ? null : reduction;
  const small = reducedSheet(plan, asked);
  const { data } = useQuery(proofQuery(subject, { region: { x: 0, y: 0, width: small.width, height: small.height }, show: 'FILE', look, reduction: asked }));
  const url = useObjectUrl(data?.originalId === subject?.originalId ? data?.blob : undefined);
  const places = view?.places ?? [];
  return (
    <div className="proof-stage growing-stage">
      {url ? (
        <figure
          className={view?.state === 'DECLINED' ? 'growing-picture' : 'growing-picture growing-waits'}
          style={{ aspectRatio: `${plan.width} / ${plan.height}`, width: `min(100cqw, ${(100 * plan.width) / plan.height}cqh)` }}
        >
          <img src={url} alt={view?.state === 'DECLINED' ? 'with a mirrored background, places in the way marked' : 'with a mirrored background, until it is grown'} />
          <svg viewBox={`0 0 ${plan.width} ${plan.height}`} preserveAspectRatio="none" aria-hidden="true">
            {places.map(({ x, y, width, height }) => (
              <rect key={`${x} ${y}`} x={x} y={y} width={width} height={height} vectorEffect="non-scaling-stroke" />
            ))}
          </svg>
        </figure>
      ) : (
        <Loading what="the picture" />
      )}
    </div>
  );
}
