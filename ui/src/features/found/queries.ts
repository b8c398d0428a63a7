import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import type { Framing } from '../framing';
import type { TicketDocument } from '../ticket';

export type Found = Schemas['FoundView'];
export type FoundPrint = Schemas['FoundPrintView'];
export type FoundLevel = Schemas['FoundLevelView'];
export type Confidence = FoundPrint['confidence'];

/** What a picture shows of its own accord; pictures do not change. */
export const foundQuery = (originalId: string) =>
  queryOptions({
    queryKey: ['found', originalId],
    staleTime: Infinity,
    queryFn: () => answer(api.GET('/api/v1/originals/{id}/found', { params: { path: { id: originalId } } })),
  });

/** The framing that keeps what lies inside a print's sides. */
export function offerScanBorder(
  originalId: string,
  ticket: TicketDocument,
  framing: Framing,
  print: number,
  insetPercent: number,
): Promise<Schemas['ScanBorderOffer']> {
  return answer(
    api.POST('/api/v1/originals/{id}/found/scan-border', {
      params: { path: { id: originalId } },
      body: { wish: { ticket, framing, override: null }, print, insetPercent },
    }),
  );
}

/** Makes a picture of each print on the bed; the scan is left out of runs. */
export function separatePrints(originalId: string, insetPercent: number): Promise<Schemas['OriginalView'][]> {
  return answer(
    api.POST('/api/v1/originals/{id}/found/prints', { params: { path: { id: originalId } }, body: { insetPercent } }),
  );
}

/** How far cutting a scan's prints apart has come, asked while it is under way. */
export const separationQuery = (originalId: string) =>
  queryOptions({
    queryKey: ['separation', originalId],
    gcTime: 0,
    refetchInterval: 500,
    queryFn: () =>
      answer(api.GET('/api/v1/originals/{id}/found/prints/progress', { params: { path: { id: originalId } } })),
  });

/** The framing that brings level what was found to lean. */
export function offerLevel(originalId: string, framing: Framing): Promise<Framing> {
  return answer(
    api.POST('/api/v1/originals/{id}/found/level', {
      params: { path: { id: originalId } },
      body: { framing },
    }),
  );
}

export type FoundBlur = Schemas['FoundBlurView'];

/** How far the edge nearest to a place is spread; the place in fractions of the upright original. */
export function measureBlur(originalId: string, at: { x: number; y: number }): Promise<FoundBlur> {
  return answer(
    api.POST('/api/v1/originals/{id}/found/blur', { params: { path: { id: originalId } }, body: at }),
  );
}
