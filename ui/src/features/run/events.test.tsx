import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { runQuery, runsQuery, useRunEvents, type PieceView, type RunView } from './queries';

class Source {
  static open: Source[] = [];
  readonly heard = new Map<string, (event: unknown) => void>();
  closed = false;

  constructor(readonly url: string) {
    Source.open.push(this);
  }

  addEventListener(name: string, listener: (event: unknown) => void) {
    this.heard.set(name, listener);
  }

  close() {
    this.closed = true;
  }

  tell(data: unknown) {
    this.heard.get('run')!({ data: JSON.stringify(data) });
  }
}

const run = (checked: number) => ({ id: 'r', state: 'RUNNING', counts: { checked } }) as RunView;
const piece = (id: string, state: string) => ({ id, state }) as PieceView;

let queries: QueryClient;
const listen = () =>
  renderHook(() => useRunEvents('job'), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    ),
  });

beforeEach(() => {
  queries = new QueryClient();
  Source.open = [];
  vi.stubGlobal('EventSource', Source);
});

describe('events of a job', () => {
  it('are laid over what is known of a run; pieces that did not change stay the same', () => {
    const [first, second] = [piece('a', 'MAKING'), piece('b', 'WAITING')];
    queries.setQueryData(runQuery('r').queryKey, { run: run(0), pieces: [first, second] });
    queries.setQueryData(runsQuery('job').queryKey, [run(0)]);
    listen();
    Source.open[0]!.tell({ run: run(1), pieces: [piece('a', 'CHECKED')] });
    const known = queries.getQueryData(runQuery('r').queryKey)!;
    expect(known.pieces.map(({ state }) => state)).toEqual(['CHECKED', 'WAITING']);
    expect(known.pieces[1]).toBe(second);
    expect(queries.getQueryData(runsQuery('job').queryKey)![0]!.counts.checked).toBe(1);
  });

  it('bring a run that was not known', () => {
    queries.setQueryData(runsQuery('job').queryKey, []);
    listen();
    Source.open[0]!.tell({ run: run(0), pieces: [] });
    expect(queries.getQueryData(runsQuery('job').queryKey)).toHaveLength(1);
    expect(queries.getQueryData(runQuery('r').queryKey)).toBeUndefined();
  });

  it('are let go by a page that is left or out of sight', () => {
    const { unmount } = listen();
    window.dispatchEvent(new Event('pagehide'));
    expect(Source.open[0]!.closed).toBe(true);
    window.dispatchEvent(new Event('pageshow'));
    expect(Source.open).toHaveLength(2);
    unmount();
    expect(Source.open[1]!.closed).toBe(true);
  });
});
