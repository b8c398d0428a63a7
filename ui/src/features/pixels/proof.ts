import { api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import type { Region } from './region';

export type Show = Schemas['ProofRequest']['show'];
/** On the screen's white, or as on the paper. */
export type Look = Schemas['ProofRequest']['look'];

/** Which picture is proofed, and under what. */
export interface ProofOrder {
  originalId: string;
  ticket: Schemas['TicketDocument'];
  /** Else none. */
  override?: Schemas['OverrideDocument'];
  /** Else the picture's own. */
  framing?: Schemas['FramingDocument'];
}

/** Which picture is proofed, and how in all. */
export interface ProofSubject extends ProofOrder {
  override: Schemas['OverrideDocument'];
  framing: Schemas['FramingDocument'];
}

/** Which part of the sheet, in its own pixels or, with a reduction, in those of the reduced sheet. */
export interface ProofPart {
  region: Region;
  show: Show;
  look: Look;
  reduction: number | null;
}

/** A part of a piece as it will be. */
export interface Proof extends ProofPart {
  blob: Blob;
  originalId: string;
  /** In per cent; null where nothing is sharpened. */
  halo: number | null;
}

/** Output pixels, made by the code that makes the file. */
export async function fetchProof(order: ProofOrder, part: ProofPart, signal: AbortSignal): Promise<Proof> {
  const { originalId, ...wish } = order;
  const { data, error, response } = await api.POST('/api/v1/originals/{id}/proof', {
    params: { path: { id: originalId } },
    body: { ...wish, ...part },
    parseAs: 'blob',
    signal,
  });
  if (!response.ok) throw Problem.of(error, response.status);
  const halo = response.headers.get('Embrick-Halo-Percent');
  return { ...part, blob: data as unknown as Blob, originalId, halo: halo === null ? null : Number(halo) };
}

/** Stripes where the paper cannot print the picture's colour, to be laid over the same part. */
export const fetchUnprintable = fetchOverlay('/api/v1/originals/{id}/gamut-check');

/** A tint where detail was learned, stripes where it was held back, to be laid over the same part. */
export const fetchLearned = fetchOverlay('/api/v1/originals/{id}/learned-map');

function fetchOverlay(path: '/api/v1/originals/{id}/gamut-check' | '/api/v1/originals/{id}/learned-map') {
  return async (order: ProofOrder, part: ProofPart, signal: AbortSignal): Promise<Proof> => {
    const { originalId, ...wish } = order;
    const { data, error, response } = await api.POST(path, {
      params: { path: { id: originalId } },
      body: { ...wish, ...part },
      parseAs: 'blob',
      signal,
    });
    if (!response.ok) throw Problem.of(error, response.status);
    return { ...part, blob: data as unknown as Blob, originalId, halo: null };
  };
}
