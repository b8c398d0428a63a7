import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { fetchLearned, fetchProof, fetchUnprintable, type Proof, type ProofPart, type ProofSubject } from '../pixels';

/** An earlier part stays on screen until the new one has come; what nobody waits for any more is not asked for. */
export const proofQuery = (subject: ProofSubject | undefined, part: ProofPart | undefined) =>
  queryOptions({
    queryKey: ['proof', subject, part],
    enabled: subject !== undefined && part !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 30_000,
    queryFn: ({ signal }) => fetchProof(subject!, part!, signal),
  });

/** What can be laid over a part: what the paper cannot print of it, or where its detail was learned. */
export type Overlay = 'unprintable' | 'learned';

const overlays = { unprintable: fetchUnprintable, learned: fetchLearned };

export const overlayQuery = (overlay: Overlay, subject: ProofSubject | undefined, part: ProofPart | undefined) =>
  queryOptions({
    queryKey: ['proof', overlay, subject, part],
    enabled: subject !== undefined && part !== undefined,
    // One overlay never stands in for another.
    placeholderData: (earlier: Proof | undefined, query) => (query?.queryKey[1] === overlay ? earlier : undefined),
    gcTime: 30_000,
    queryFn: ({ signal }) => overlays[overlay](subject!, part!, signal),
  });

/** The background that is grown for a picture; who asks has it grown, and asks again until it is there. */
export const backgroundQuery = (subject: ProofSubject | undefined) =>
  queryOptions({
    queryKey: ['background', subject?.originalId, subject],
    enabled: subject !== undefined,
    queryFn: ({ signal }): Promise<Schemas['BackgroundView']> => {
      const { originalId, ticket, override, framing } = subject!;
      return answer(
        api.POST('/api/v1/originals/{id}/background', {
          params: { path: { id: originalId } },
          body: { ticket, override, framing },
          signal,
        }),
      );
    },
  });

/** A picture to lay over the whole total, which covers where the background is weak. */
export const likenessQuery = (subject: ProofSubject | undefined) =>
  queryOptions({
    queryKey: ['background', 'likeness', subject?.originalId, subject],
    enabled: subject !== undefined,
    gcTime: 30_000,
    queryFn: async ({ signal }) => {
      const { originalId, ticket, override, framing } = subject!;
      const { data, error, response } = await api.POST('/api/v1/originals/{id}/background/likeness', {
        params: { path: { id: originalId } },
        body: { ticket, override, framing },
        parseAs: 'blob',
        signal,
      });
      if (!response.ok) throw Problem.of(error, response.status);
      return data as unknown as Blob;
    },
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
