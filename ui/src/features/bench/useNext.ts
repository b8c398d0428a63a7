import { useEffect, useMemo } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import type { Framing, Override } from '../framing';
import type { TicketDocument } from '../ticket';
import { usePlanAhead, type Subject } from './usePlanned';

interface Next {
  original: Schemas['OriginalView'] | undefined;
  document: TicketDocument | undefined;
  override: Override | undefined;
  framing: Framing;
}

/** The next picture and its plan are here before they are asked for. */
export function useNext({ original, document, override, framing }: Next) {
  const subject = useMemo<Subject | undefined>(
    () => (original && document && override ? { originalId: original.id, ticket: document, override } : undefined),
    [original, document, override],
  );
  usePlanAhead(subject, framing);
  useEffect(() => {
    if (!original) return;
    const image = new Image();
    image.src = smallPicture(original, 1800);
    image.decode().catch(() => undefined);
  }, [original]);
}
