import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { offerClearFolds } from '../ticket';
import type { Planned } from './usePlanned';

/** What stands near the folds, marked when it is asked for, and the smallest change that clears them. */
export function useFolds(
  originalId: string | undefined,
  onTaken: (originalId: string, framing: Schemas['FramingDocument']) => void,
) {
  const [looking, setLooking] = useState(false);
  const [offer, setOffer] = useState<Schemas['CrossingsOffer'] | Problem>();
  const asked = useRef(0);
  const putAway = () => {
    asked.current++;
    setLooking(false);
    setOffer(undefined);
  };
  useEffect(putAway, [originalId]);

  const look = ({ subject, framing }: Planned) => {
    if (offer && !(offer instanceof Problem)) {
      onTaken(subject.originalId, offer.framing);
      return putAway();
    }
    setLooking(true);
    const number = ++asked.current;
    void offerClearFolds(subject.originalId, subject.ticket, framing, subject.override)
      .catch((failed: unknown) => Problem.from(failed))
      .then((found) => number === asked.current && setOffer(found));
  };
  return { looking, offer, look, putAway };
}
