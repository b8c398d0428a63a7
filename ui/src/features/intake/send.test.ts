import { beforeEach, describe, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import { missing, send } from './send';
import type { ArrivingFile } from './walkDropped';


// jsdom's files cannot be read as a whole.
const file = (content: string, name: string) =>
  Object.assign(new File([content], name), { arrayBuffer: async () => new TextEncoder().encode(content).buffer });

const files = (count: number): ArrivingFile[] =>
  Array.from({ length: count }, (_, i) => ({ path: `kite${i}.jpg`, file: file('x'.repeat(i + 1), `kite${i}.jpg`) }));

const sent = () => put.mock.calls.map(([, { params }]) => params.query.path as string);
const ok = { data: { path: 'kite0.jpg' }, response: new Response() };

let post: Mock;
let put: Mock;

beforeEach(() => {
  post = vi.spyOn(api, 'POST') as unknown as Mock;
  put = vi.spyOn(api, 'PUT') as unknown as Mock;
});

describe('sending', () => {
  it('keeps four files on their way and no more', async () => {
    let now = 0;
    let most = 0;
    put.mockImplementation(async () => {
      most = Math.max(most, ++now);
      await new Promise((resolve) => setTimeout(resolve, 5));
      now--;
      return ok;
    });
    const arrived: number[] = [];
    expect((await send('job', files(23), (done) => arrived.push(done))).failures).toEqual([]);
    expect(most).toBe(4);
    expect(arrived.at(-1)).toBe(23);
    expect(new Set(sent()).size).toBe(23);
  });

  it('goes on when one file fails, and names it', async () => {
    put.mockImplementation(async (_, { params }) =>
      params.query.path === 'kite3.jpg' ? { error: {}, response: new Response(null, { status: 507 }) } : ok,
    );
    const { failures } = await send('job', files(6), () => {});
    expect(failures.map(({ path }) => path)).toEqual(['kite3.jpg']);
    expect(sent()).toHaveLength(6);
  });

  it('tells which file stands beside another of its name', async () => {
    put.mockResolvedValue({ data: { path: 'kite0 (2).jpg' }, response: new Response() });
    const { beside } = await send('job', files(1), () => {});
    expect(beside).toEqual([{ path: 'kite0.jpg', as: 'kite0 (2).jpg' }]);
  });

  it('sends only what has not arrived', async () => {
    post.mockResolvedValue({ data: { missing: ['kite1.jpg', 'kite2.jpg'], unsure: [] }, response: new Response() });
    expect((await missing('job', files(4))).map(({ path }) => path)).toEqual(['kite1.jpg', 'kite2.jpg']);
    expect(post.mock.calls[0]![1].body.files[2]).toEqual({ path: 'kite2.jpg', fileBytes: 3, digest: null });
  });

  it('lets the content decide of a file whose path and length are known', async () => {
    post
      .mockResolvedValueOnce({ data: { missing: ['kite0.jpg', 'kite1.jpg'], unsure: ['kite0.jpg', 'kite1.jpg'] }, response: new Response() })
      .mockResolvedValueOnce({ data: { missing: ['kite1.jpg'], unsure: [] }, response: new Response() });
    expect((await missing('job', files(2))).map(({ path }) => path)).toEqual(['kite1.jpg']);
    // SHA-256 of "x", as sha256sum gives it.
    expect(post.mock.calls[1]![1].body.files[0].digest).toBe(
      '2d711642b726b04401627ca9fbac32f5c8530fb1903cc4db02258717921a4881',
    );
  });
});
