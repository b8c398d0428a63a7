import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { fetchProof, fetchUnprintable, type ProofPart, type ProofSubject } from '../pixels';

/** An earlier part stays on screen until the new one has come; what nobody waits for any more is not asked for. */
export const proofQuery = (subject: ProofSubject | undefined, part: ProofPart | undefined) =>
  queryOptions({
    queryKey: ['proof', subject, part],
    enabled: subject !== undefined && part !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 30_000,
    queryFn: ({ signal }) => fetchProof(subject!, part!, signal),
  });

/** Stripes over what the paper cannot print of a part. */
export const gamutCheckQuery = (subject: ProofSubject | undefined, part: ProofPart | undefined) =>
  queryOptions({
    queryKey: ['proof', 'unprintable', subject, part],
    enabled: subject !== undefined && part !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 30_000,
    queryFn: ({ signal }) => fetchUnprintable(subject!, part!, signal),
  });

/** Where a piece has its strongest contours, the strongest first. */
export const contoursQuery = (subject: ProofSubject | undefined) =>
  queryOptions({
    queryKey: ['contours', subject?.originalId, subject],
    enabled: subject !== undefined,
    staleTime: 60_000,
    queryFn: () => {
      const { originalId, ticket, override, framing } = subject!;
      return answer(
        api.POST('/api/v1/originals/{id}/contours', {
          params: { path: { id: originalId } },
          body: { ticket, override, framing },
        }),
      );
    },
  });
