import { afterEach, expect } from 'vitest';
import { unknownFields } from './requestFields';

type Answer = object | string | Response | ((request: Request) => object | Response | Promise<object | Response>);

/** What a page asked for: `METHOD /path`, without the common beginning, and the body it sent. */
export interface Asked {
  what: string;
  body: unknown;
}

/** Fields that were sent and that the server's document does not have: the real one refuses them. */
const unknown: string[] = [];
afterEach(() => expect(unknown.splice(0)).toEqual([]));

/**
 * A server for tests of pages. Answers are given by `METHOD /path`, as in `GET /jobs`; a path's search part is left out. What
 * is not given is answered as not found, as the real one does.
 */
export function fakeServer(answers: Record<string, Answer>) {
  const asked: Asked[] = [];
  globalThis.fetch = (async (input: RequestInfo, init?: RequestInit) => {
    const request = new Request(input, init);
    const what = `${request.method} ${new URL(request.url).pathname.replace('/api/v1', '')}`;
    const body = request.method === 'GET' ? undefined : await readBody(request);
    asked.push({ what, body });
    unknown.push(...unknownFields(request.method, new URL(request.url).pathname, body).map((field) => `${what}: ${field}`));
    const answer = answers[what];
    if (answer === undefined) return problem(404, 'not-found', `There is no ${what}.`, 'Load the page again.');
    const given = typeof answer === 'function' ? await answer(request) : answer;
    return given instanceof Response ? given.clone() : Response.json(given);
  }) as typeof fetch;
  return {
    asked,
    /** Answers otherwise from now on. */
    now: (more: Record<string, Answer>) => void Object.assign(answers, more),
    of: (what: string) => asked.filter((one) => one.what === what),
  };
}

async function readBody(request: Request): Promise<unknown> {
  const text = await request.clone().text();
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** A refusal as the server tells it (RFC 9457). */
export function problem(status: number, code: string, text: string, remedy: string): Response {
  return Response.json(
    { status, code, detail: text, problems: [{ code, subject: 'picture', text, remedy }] },
    { status, headers: { 'Content-Type': 'application/problem+json' } },
  );
}

/** An answer that never comes. */
export const never = () => new Promise<object>(() => undefined);
