import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { TicketDocument } from './queries';
import { SizeForm } from './SizeForm';
import { sizeWords } from './words';

type Size = TicketDocument['size'];
const scaled = (to: Extract<Size, { kind: 'scaled' }>['to'], enlarging: 'NEVER' | 'ALLOWED' = 'NEVER'): Size => ({
  kind: 'scaled',
  to,
  enlarging,
});

function open(value: Size) {
  const onChange = vi.fn<(size: Size) => void>();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SizeForm value={value} onChange={onChange} />
    </QueryClientProvider>,
  );
  return onChange;
}

describe('the words of a size', () => {
  it.each([
    [{ kind: 'pixels', width: 1080, height: 1350 } as Size, '1080 × 1350 px'],
    [scaled({ kind: 'side', side: 'LONG', pixels: 2048 }), 'a long side of 2048 px'],
    [scaled({ kind: 'side', side: 'SHORT', pixels: 1080 }, 'ALLOWED'), 'a short side of 1080 px, enlarged to it'],
    [scaled({ kind: 'length', side: 'WIDTH', length: { value: 17, unit: 'IN' } }), 'a width of 17 in'],
    [scaled({ kind: 'within', width: 1920, height: 1080 }), 'proportions kept, within 1920 × 1080 px'],
    [scaled({ kind: 'megapixels', millions: 12 }), '12 megapixels'],
    [scaled({ kind: 'percent', percent: 25 }), '25 % of their pixels'],
  ])('say it plainly', (size, words) => expect(sizeWords(size)).toBe(words));
});

describe('the form of a size', () => {
  it('begins each way with something that works', () => {
    const onChange = open({ kind: 'own' });
    fireEvent.click(screen.getByRole('radio', { name: /keep proportions/ }));
    expect(onChange).toHaveBeenLastCalledWith(scaled({ kind: 'side', side: 'LONG', pixels: 2048 }));
    fireEvent.click(screen.getByRole('radio', { name: /a size in pixels/ }));
    expect(onChange).toHaveBeenLastCalledWith({ kind: 'pixels', width: 1080, height: 1350 });
  });

  it('changes one number and keeps the others', () => {
    const onChange = open({ kind: 'pixels', width: 1080, height: 1350 });
    const field = screen.getByLabelText('the other, px');
    fireEvent.change(field, { target: { value: '1920' } });
    fireEvent.blur(field);
    expect(onChange).toHaveBeenLastCalledWith({ kind: 'pixels', width: 1080, height: 1920 });
  });

  it('says what becomes of pictures with fewer pixels', () => {
    const onChange = open(scaled({ kind: 'percent', percent: 50 }));
    expect(screen.getByText('Pictures with fewer pixels keep their own, and are listed.')).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox'));
    expect(onChange).toHaveBeenLastCalledWith(scaled({ kind: 'percent', percent: 50 }, 'ALLOWED'));
  });
});
