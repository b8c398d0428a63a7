import { queryOptions, useQuery, type QueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { inTurn } from '../../shared/inTurn';

export type Profile = Schemas['ProfileView'];
export type Model = Profile['model'];

export const profilesQuery = () =>
  queryOptions({
    queryKey: ['profiles'],
    queryFn: () => answer(api.GET('/api/v1/profiles')),
    staleTime: 60_000,
  });

export const useProfiles = () => useQuery(profilesQuery()).data ?? [];

/** What a profile is called here, also one that was taken off the shelf; dots until it is known. */
export function useProfileTitle(digest: string | undefined): string {
  const profiles = useQuery({ ...profilesQuery(), enabled: digest !== undefined });
  const shelved = profiles.data?.find((profile) => profile.digest === digest);
  const away = useQuery({
    ...profileQuery(digest ?? ''),
    enabled: digest !== undefined && profiles.data !== undefined && !shelved,
  }).data;
  return shelved?.title ?? away?.title ?? '…';
}

/** A profile that may have been taken off the shelf. */
export const profileQuery = (digest: string) =>
  queryOptions({
    queryKey: ['profile', digest],
    queryFn: () => answer(api.GET('/api/v1/profiles/{digest}', { params: { path: { digest } } })),
    staleTime: Infinity,
  });

export const gamutQuery = (digest: string) =>
  queryOptions({
    queryKey: ['gamut', digest],
    queryFn: () => answer(api.GET('/api/v1/profiles/{digest}/gamut', { params: { path: { digest } } })),
    staleTime: Infinity,
  });

export const assumedQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['assumed', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/assumed-profiles', { params: { path: { jobId } } })),
  });

/** What a print loses of a picture's colours; each follows from what is asked alone. */
export const gamutLossQuery = (
  original: Schemas['OriginalView'] | undefined,
  ticket: Schemas['TicketDocument'] | undefined,
  framing?: Schemas['FramingDocument'],
) =>
  queryOptions({
    queryKey: [
      'gamut-loss',
      original?.id,
      original?.facts?.profileDigest,
      ticket?.colour,
      ticket?.size,
      ticket?.turn,
      ticket?.fit,
      framing,
    ],
    staleTime: framing ? Infinity : 0,
    retry: false,
    queryFn: ({ signal }) =>
      inTurn(() =>
        answer(
          api.POST('/api/v1/originals/{id}/gamut-loss', {
            params: { path: { id: original!.id } },
            body: { ticket: ticket!, ...(framing && { framing }) },
            signal,
          }),
        ),
      ),
  });

/** Adds a profile, after the server has looked it through. */
export async function importProfile(queries: QueryClient, file: File): Promise<Profile> {
  const response = await fetch(`/api/v1/profiles?fileName=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  const told: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw Problem.of(told, response.status);
  await queries.invalidateQueries({ queryKey: profilesQuery().queryKey });
  return told as Profile;
}
