import { act, renderHook } from '@testing-library/react';
import type { PropsWithChildren } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { useInTurn } from './useInTurn';

const originals = Array.from({ length: 9 }, (_, i) => ({ id: `p${i}` }));
const wrapper = ({ children }: PropsWithChildren) => <MemoryRouter>{children}</MemoryRouter>;

describe('pictures in turn', () => {
  it('go on by as many as keys were pressed, however the page follows', async () => {
    const { result } = renderHook(() => useInTurn(originals), { wrapper });
    await act(async () => {
      result.current.go(result.current.ahead.current + 1);
      result.current.go(result.current.ahead.current + 1);
    });
    await act(async () => result.current.go(result.current.ahead.current + 1));
    expect(result.current.original?.id).toBe('p3');
    expect(result.current.ahead.current).toBe(3);
  });

  it('stay at the last and the first', async () => {
    const { result } = renderHook(() => useInTurn(originals), { wrapper });
    await act(async () => result.current.go(-1));
    expect(result.current.at).toBe(0);
    await act(async () => result.current.go(8));
    await act(async () => result.current.go(9));
    expect(result.current.original?.id).toBe('p8');
  });
});
