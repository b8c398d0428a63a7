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

/** Whole outputs are made a little smaller at first, until the room is measured. */
const AT_FIRST = 8;

/** A wrapped canvas as it will stand: made from the same pixels as the flat proof. */
export function SpacedProof({ subject, plan, look, unit }: Props) {
  const [reduction, setReduction] = useState(AT_FIRST);
  const small = reducedSheet(plan, reduction === 1 ? null : reduction);
  const whole = useQuery({
    ...proofQuery(subject, { region: { x: 0, y: 0, ...small }, show: 'FILE', look, reduction: reduction === 1 ? null : reduction }),
    enabled: reduction !== AT_FIRST,
  });
  const url = useObjectUrl(whole.data?.originalId === subject.originalId ? whole.data.blob : undefined);
  if (whole.error) return <Failed error={whole.error} />;
  return (
    <Suspense fallback={<Loading what="the canvas" />}>
      <InSpace plan={plan} unit={unit} picture={{ url }} reduction={reduction} onReduction={setReduction} />
    </Suspense>
  );
}
