import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import type { Schemas } from '../../api/client';
import type { LengthUnit } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { reducedSheet, type Look, type ProofSubject } from '../pixels';
import { proofQuery } from './queries';

const InSpace = lazy(() => import('../space/InSpace'));

interface Props {
  subject: ProofSubject;
  plan: Schemas['PlanNumbers'];
  look: Look;
  unit: LengthUnit;
}

/** A wrapped canvas as it will stand: made from the same pixels as the flat proof. */
export function SpacedProof({ subject, plan, look, unit }: Props) {
  const [reduction, setReduction] = useState<number>();
  const asked = reduction === undefined || reduction === 1 ? null : reduction;
  const small = reducedSheet(plan, asked);
  const whole = useQuery({
    ...proofQuery(subject, { region: { x: 0, y: 0, width: small.width, height: small.height }, show: 'FILE', look, reduction: asked }),
    // The room is measured first.
    enabled: reduction !== undefined,
  });
  const url = useObjectUrl(whole.data?.originalId === subject.originalId ? whole.data.blob : undefined);
  if (whole.error) return <Failed error={whole.error} />;
  return (
    <Suspense fallback={<Loading what="the canvas" />}>
      <InSpace plan={plan} unit={unit} url={url} reduction={reduction} onReduction={setReduction} />
    </Suspense>
  );
}
