import createClient from 'openapi-fetch';
import { Problem } from './problems';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

export const api = createClient<paths>({ baseUrl: '/' });

/** The body of an answer, or the problem it told, thrown. */
export async function answer<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await request;
  } catch {
    throw Problem.unreachable();
  }
  if (!result.response.ok) {
    throw Problem.of(result.error, result.response.status);
  }
  return result.data as T;
}

/** A file as the body of a request, whose type the description of the API can only give as text. */
export const bytesOf = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body: string | undefined) => body,
  headers: { 'Content-Type': 'application/octet-stream' },
});

/** A picture's small picture; its address changes with what the picture looks like, since it is kept for long. */
export function smallPicture({ id, digest, facts }: Schemas['OriginalView'], edge: 384 | 1800): string {
  return `/api/v1/originals/${id}/small?edge=${edge}&of=${digest.slice(0, 12)}-${facts?.profileDigest.slice(0, 8) ?? ''}`;
}
