import { Problem } from './problems';

/** Keys of requests that were sent and whose answer has not come, by what they ask for. */
const unanswered = new Map<string, string>();

/**
 * Sends a request under an Idempotency-Key. What is asked again after its answer was lost goes under the same key, so that
 * the server does it once; after an answer, also a refusal, the next one is another.
 */
export async function keyed<T>(request: string, send: (key: string) => Promise<T>): Promise<T> {
  const key = unanswered.get(request) ?? crypto.randomUUID();
  unanswered.set(request, key);
  try {
    const answer = await send(key);
    unanswered.delete(request);
    return answer;
  } catch (error) {
    const { status } = Problem.from(error);
    if (status >= 400 && status < 500) unanswered.delete(request);
    throw error;
  }
}
