import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { PropsWithChildren } from 'react';
import { beforeEach, describe, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import type { TicketDocument } from '../ticket';
import { centred, noOverride, type Framing } from '../framing';
import { usePlanned, type Subject } from './usePlanned';

const ticket = { ppi: 300, size: { kind: 'own' } } as TicketDocument;
const subjects: Record<string, Subject> = {
  a: { originalId: 'a', ticket, override: noOverride },
  b: { originalId: 'b', ticket, override: noOverride },
};
const queries = new QueryClient();
const wrapper = ({ children }: PropsWithChildren) => (
  <QueryClientProvider client={queries}>{children}</QueryClientProvider>
);
const plan = (width: number) => ({ plan: { width, limits: [], handling: { moves: 'PICTURE' } }, notices: [], problems: [] });
const at = (centreX: number): Framing => ({ ...centred, centreX });

/** A server that answers when it is told to. */
let answers: ((value: unknown) => void)[] = [];
let post: Mock;

beforeEach(() => {
  post = vi.spyOn(api, 'POST') as unknown as Mock;
  answers = [];
  post.mockImplementation(
    () => new Promise((resolve) => answers.push((body) => resolve({ data: body, response: new Response() }))),
  );
});

const asked = () => post.mock.calls.map(([, { body }]) => body.framing.centreX as number);

describe('the plan while a picture is moved', () => {
  it('has one request on its way, then asks for the newest only', async () => {
    const { result, rerender } = renderHook(({ x }) => usePlanned(subjects.a, at(x)), {
      initialProps: { x: 0.1 },
      wrapper,
    });
    for (const x of [0.2, 0.3, 0.4]) rerender({ x });
    expect(asked()).toEqual([0.1]);
    await act(async () => answers[0]!(plan(1)));
    await waitFor(() => expect(asked()).toEqual([0.1, 0.4]));
    await act(async () => answers[1]!(plan(2)));
    await waitFor(() => expect(result.current.planned?.plan.width).toBe(2));
    expect(result.current.planned?.framing.centreX).toBe(0.4);
  });

  it('never shows one picture the plan of another', async () => {
    const { result, rerender } = renderHook(({ id }) => usePlanned(subjects[id], centred), {
      initialProps: { id: 'a' },
      wrapper,
    });
    await act(async () => answers[0]!(plan(1)));
    await waitFor(() => expect(result.current.planned?.plan.width).toBe(1));
    rerender({ id: 'b' });
    expect(result.current.planned).toBeUndefined();
  });

  it('says why there is no plan', async () => {
    const { result } = renderHook(() => usePlanned(subjects.a, centred), { wrapper });
    const problem = { code: 'cmyk-without-profile', subject: 'colour', text: 'No profile.', remedy: 'Save it again.' };
    await act(async () => answers[0]!({ notices: [], problems: [problem] }));
    await waitFor(() => expect(result.current.error?.message).toBe('No profile.'));
  });
});
