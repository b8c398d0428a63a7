import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeEach, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import type { Schemas } from '../../api/client';
import type { Original } from './pileModel';
import { useLosses } from './useLosses';

let post: Mock;

beforeEach(() => {
  post = vi.spyOn(api, 'POST') as unknown as Mock;
});


const ticket = { name: 'Prints' } as Schemas['TicketDocument'];

/** The pile would be sorted and drawn anew whenever a picture is chosen. */
it('gives the same map until a loss is told', async () => {
  let answer: (told: object) => void = () => undefined;
  post.mockReturnValue(new Promise((resolve) => (answer = resolve)));
  const queries = new QueryClient();
  const originals = [{ id: 'kite', facts: { profileDigest: 'p' }, leftOut: false }] as unknown as Original[];
  for (const shown of [[], originals]) {
    const { result, rerender } = renderHook(() => useLosses(shown, ticket), {
      wrapper: ({ children }: { children: ReactNode }) => (
        <QueryClientProvider client={queries}>{children}</QueryClientProvider>
      ),
    });
    const before = result.current;
    rerender();
    expect(result.current).toBe(before);
    if (shown.length === 0) continue;
    answer({ data: { meanDifference: 2 }, response: new Response() });
    await waitFor(() => expect(result.current.get('kite')?.meanDifference).toBe(2));
    expect(result.current).not.toBe(before);
  }
});
