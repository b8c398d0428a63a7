import { describe, expect, it } from 'vitest';
import { keyed } from './keyed';
import { Problem } from './problems';

const problem = (status: number) => Problem.of({}, status);

/** Sends a request several times, each answered in turn, and gives the keys it went under. */
async function keysOf(request: string, answers: (Problem | 'done')[]) {
  const keys: string[] = [];
  for (const answer of answers) {
    await keyed(request, (key) => {
      keys.push(key);
      return answer === 'done' ? Promise.resolve(answer) : Promise.reject(answer);
    }).catch(() => undefined);
  }
  return keys;
}

describe('A request under a key', () => {
  it('keeps it while no answer comes, or only that the server is away', async () => {
    const keys = await keysOf('a', [Problem.unreachable(), problem(503), 'done']);
    expect(new Set(keys).size).toBe(1);
  });

  it('has another one after an answer, also a refusal', async () => {
    const keys = await keysOf('b', ['done', problem(422), 'done']);
    expect(new Set(keys).size).toBe(3);
  });

  it('shares none with another request', async () => {
    const [one] = await keysOf('c', [problem(500)]);
    const [other] = await keysOf('d', [problem(500)]);
    expect(one).not.toBe(other);
  });
});
