import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import { App } from 'antd';
import type { ReactNode } from 'react';
import { expect, it } from 'vitest';
import { fakeServer } from '../../testing/fakeServer';
import { useSeparate } from './useSeparate';

it('reports how many prints of a scan are cut out so far', async () => {
  let end: (made: object[]) => void = () => undefined;
  fakeServer({
    'POST /originals/scan/found/prints': () => new Promise<object>((resolve) => (end = resolve)),
    'GET /originals/scan/found/prints/progress': { done: 2, all: 3 },
  });
  const queries = new QueryClient();
  const { result } = renderHook(() => useSeparate('job', 0.3), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={queries}>
        <App>{children}</App>
      </QueryClientProvider>
    ),
  });
  act(() => result.current.mutate('scan'));
  await waitFor(() => expect(result.current.progress).toBe('2 of 3 cut out…'));
  act(() => end([]));
  await waitFor(() => expect(result.current.isSuccess).toBe(true));
});
