import { describe, expect, it } from 'vitest';
import { answer } from './client';
import { Problem } from './problems';

const response = (status: number) => new Response(null, { status });

describe('answers', () => {
  it('give their body', async () => {
    expect(await answer(Promise.resolve({ data: 7, response: response(200) }))).toBe(7);
  });

  it('throw what the server told, with code and remedy', async () => {
    const told = {
      code: 'stale-version',
      problems: [{ code: 'stale-version', subject: 'ticket', text: 'Changed meanwhile.', remedy: 'Look again.' }],
    };
    const failed: Problem = await answer<never>(Promise.resolve({ error: told, response: response(412) })).catch((error) => error);
    expect(failed).toBeInstanceOf(Problem);
    expect(failed.code).toBe('stale-version');
    expect(failed.message).toBe('Changed meanwhile.');
    expect(failed.remedy).toBe('Look again.');
    expect(failed.status).toBe(412);
  });

  it('say that nothing could be reached', async () => {
    const failed: Problem = await answer<never>(Promise.reject(new TypeError('fetch failed'))).catch((error) => error);
    expect(failed.code).toBe('unreachable');
    expect(failed.remedy).toContain('Nothing is lost');
  });

  it('make something sayable of any failure', () => {
    expect(Problem.from(new Error('odd')).message).not.toBe('');
    expect(Problem.of('<html>', 502).message).toContain('502');
  });
});
