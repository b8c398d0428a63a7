import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { estimateQuery, useActiveTicket } from '../ticket';
import { useFramings } from './useFramings';

/**
 * A job's pictures for a page that shows one after the other: those that become pieces, what the ticket makes of each, and
 * how they are framed.
 *
 * @param only the ids of those to show, where they were chosen on the pile
 */
export function usePicturesInTurn(jobId: string, only?: string[]) {
  const job = useJob(jobId).data;
  const ticket = useActiveTicket(jobId);
  const ofJob = useOriginals(jobId);
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', ticket?.document, ticket?.id)).data;
  const framings = useFramings({ jobId, shape: estimate?.shapeKey, ticketId: ticket?.id });
  const originals = useMemo(() => {
    const wanted = only ? new Set(only) : undefined;
    return (ofJob.data ?? []).filter(
      (original) => original.forPieces && !original.leftOut && (!wanted || wanted.has(original.id)),
    );
  }, [ofJob.data, only]);
  const estimateById = useMemo(() => new Map(estimate?.pictures.map((one) => [one.originalId, one])), [estimate]);
  return { ticket, ofJob, originals, estimateById, framings, ...useInTurn(originals) };
}
