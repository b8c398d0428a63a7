import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Schemas } from '../../api/client';
import { centred, type Framing, type Override } from '../framing';
import type { ProofSubject } from '../pixels';
import { planQuery, type TicketDocument } from '../ticket';
import type { Tried } from './Trial';

interface Wanted {
  original: Schemas['OriginalView'] | undefined;
  document: TicketDocument | undefined;
  override: Override | undefined;
  framing: Framing | undefined;
  tried: Tried;
}

/** What is proofed: as it is ordered, as it is tried, and the plan of what is tried. */
export function useProofed({ original, document, override, framing, tried }: Wanted) {
  const ordered = useMemo<ProofSubject | undefined>(
    () =>
      original && document && override && framing
        ? { originalId: original.id, ticket: document, override, framing }
        : undefined,
    [original, document, override, framing],
  );
  // What is tried counts for this picture even where it has sharpening of its own.
  const subject = useMemo<ProofSubject | undefined>(
    () =>
      ordered && {
        ...ordered,
        ticket: { ...ordered.ticket, ...tried },
        override: tried.sharpening ? { ...ordered.override, sharpening: tried.sharpening } : ordered.override,
      },
    [ordered, tried],
  );
  const planning = useQuery({
    ...planQuery(subject?.originalId, subject?.ticket, subject?.framing ?? centred, subject?.override),
    enabled: subject !== undefined,
  });
  return { ordered, subject, planning, plan: planning.data?.plan ?? undefined };
}
