import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { TicketDocument } from '../ticket';
import { centred, type Framing } from './framing';
import { useLatestPlan } from './useLatestPlan';

const post = vi.hoisted(() => vi.fn());
vi.mock('../../api/client', async (original) => ({ ...(await original<object>()), api: { POST: post } }));

const ticket = { ppi: 300 } as TicketDocument;
const at = (centreX: number): Framing => ({ ...centred, centreX });

/** A server that answers when it is told to. */
let answers: ((value: unknown) => void)[] = [];
beforeEach(() => {
  answers = [];
  post.mockReset();
  post.mockImplementation(
    () => new Promise((resolve) => answers.push((body) => resolve({ data: body, response: new Response() }))),
  );
});

const asked = () => post.mock.calls.map(([, { body }]) => body.framing.centreX as number);

describe('the plan while a picture is moved', () => {
  it('has one request on its way, then asks for the newest only', async () => {
    const { result, rerender } = renderHook(({ x }) => useLatestPlan('a', ticket, at(x)), {
      initialProps: { x: 0.1 },
    });
    for (const x of [0.2, 0.3, 0.4]) rerender({ x });
    expect(asked()).toEqual([0.1]);
    await act(async () => answers[0]!({ plan: { width: 1 }, notices: [], problems: [] }));
    await waitFor(() => expect(asked()).toEqual([0.1, 0.4]));
    await act(async () => answers[1]!({ plan: { width: 2 }, notices: [], problems: [] }));
    await waitFor(() => expect(result.current.planned?.plan.width).toBe(2));
    expect(result.current.isExact).toBe(true);
  });

  it('never shows one picture the plan of another', async () => {
    const { result, rerender } = renderHook(({ id }) => useLatestPlan(id, ticket, centred), {
      initialProps: { id: 'a' },
    });
    await act(async () => answers[0]!({ plan: { width: 1 }, notices: [], problems: [] }));
    await waitFor(() => expect(result.current.planned?.plan.width).toBe(1));
    rerender({ id: 'b' });
    expect(result.current.planned).toBeUndefined();
  });

  it('says why there is no plan', async () => {
    const { result } = renderHook(() => useLatestPlan('a', ticket, centred));
    const problem = { code: 'cmyk-without-profile', subject: 'colour', text: 'No profile.', remedy: 'Save it again.' };
    await act(async () => answers[0]!({ notices: [], problems: [problem] }));
    await waitFor(() => expect(result.current.error?.message).toBe('No profile.'));
  });
});
