import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import type { TicketDocument } from '../ticket';
import type { Region } from './region';

export type Show = Schemas['ProofRequest']['show'];

/** Which picture is proofed, and how. */
export interface Subject {
  originalId: string;
  ticket: TicketDocument;
  /** Not there where nobody has framed the picture: the server then takes its middle. */
  framing?: Schemas['FramingDocument'];
}

/** A part of a piece as it will be. */
export interface Proof {
  blob: Blob;
  region: Region;
  originalId: string;
  /** In per cent; null where nothing is lifted. */
  halo: number | null;
}

function framingOf({ framing }: Subject) {
  return framing ? { framing } : {};
}

export const sheetQuery = (subject: Subject | undefined) =>
  queryOptions({
    queryKey: ['plan', subject],
    enabled: subject !== undefined,
    queryFn: () =>
      answer(
        api.POST('/api/v1/originals/{id}/plan', {
          params: { path: { id: subject!.originalId } },
          body: { ticket: subject!.ticket, ...framingOf(subject!) },
        }),
      ),
  });

/** An earlier part stays on screen until the new one has come; what nobody waits for any more is not asked for. */
export const proofQuery = (subject: Subject | undefined, region: Region | undefined, show: Show) =>
  queryOptions({
    queryKey: ['proof', subject, region, show],
    enabled: subject !== undefined && region !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 30_000,
    queryFn: async ({ signal }): Promise<Proof> => {
      const { data, error, response } = await api.POST('/api/v1/originals/{id}/proof', {
        params: { path: { id: subject!.originalId } },
        body: { ticket: subject!.ticket, ...framingOf(subject!), region: region!, show },
        parseAs: 'blob',
        signal,
      });
      if (!response.ok) throw Problem.of(error, response.status);
      const halo = response.headers.get('Embrick-Halo-Percent');
      return {
        blob: data as unknown as Blob,
        region: region!,
        originalId: subject!.originalId,
        halo: halo === null ? null : Number(halo),
      };
    },
  });
