import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { EdgesForm } from './EdgesForm';
import { even, freshEdges, type Edges } from './edgesWords';

function show(value: Edges) {
  const onChange = vi.fn<(edges: Edges) => void>();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <EdgesForm value={value} unit="IN" isPaper plan={undefined} onChange={onChange} />
    </QueryClientProvider>,
  );
  return onChange;
}

const wrap = freshEdges('wrap', 'IN') as Extract<Edges, { kind: 'wrap' }>;
const border = freshEdges('border', 'IN') as Extract<Edges, { kind: 'border' }>;

describe('the edges', () => {
  it('begin with usual lengths', () => {
    const onChange = show({ kind: 'none' });
    fireEvent.click(screen.getByRole('radio', { name: 'bleed' }));
    expect(onChange).toHaveBeenLastCalledWith(freshEdges('bleed', 'IN'));
  });

  it('offer the bars that are sold', () => {
    const onChange = show(wrap);
    expect(screen.getByRole('button', { name: '1 ½ in' }).getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: '38 mm' }));
    expect(onChange).toHaveBeenLastCalledWith({ ...wrap, bar: even({ value: 38, unit: 'MM' }) });
  });

  it('are one number where only the whole band is known, and then carry no marks', () => {
    const onChange = show({ ...wrap, marks: 'FOLDS_AND_CORNERS' });
    fireEvent.click(screen.getByRole('radio', { name: 'as one number' }));
    expect(onChange).toHaveBeenLastCalledWith({ ...wrap, allowance: even({ value: 0, unit: 'IN' }), marks: 'NONE' });
  });

  it('are said side by side, and evened again', () => {
    const uneven = { ...wrap, bar: { ...wrap.bar, bottom: { value: 3, unit: 'IN' as const } } };
    const onChange = show(uneven);
    expect(screen.getAllByRole('textbox')).toHaveLength(8);
    fireEvent.click(screen.getByRole('checkbox', { name: 'each side by itself' }));
    expect(onChange).toHaveBeenLastCalledWith(wrap);
  });

  it('are filled with a colour that can be said', () => {
    const onChange = show(wrap);
    fireEvent.click(screen.getByRole('radio', { name: 'plain, a colour' }));
    expect(onChange).toHaveBeenLastCalledWith({ ...wrap, fill: { kind: 'plain', colour: '#FFFFFF' } });
  });

  it('take a caption and leave it out again, sending nothing of it', () => {
    const onChange = show(border);
    fireEvent.click(screen.getByRole('checkbox', { name: 'a caption in the bottom' }));
    const captioned = onChange.mock.lastCall![0] as typeof border;
    expect(captioned.caption?.parts).toEqual([{ kind: 'file-name' }]);
    cleanup();
    const again = show(captioned);
    fireEvent.click(screen.getByRole('checkbox', { name: 'a caption in the bottom' }));
    expect(again).toHaveBeenLastCalledWith(border);
    expect('caption' in again.mock.lastCall![0]).toBe(false);
  });
});
