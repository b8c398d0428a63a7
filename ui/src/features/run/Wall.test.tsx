import { fireEvent, render, screen } from '@testing-library/react';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { PieceView } from './queries';
import { Wall } from './Wall';

/** jsdom lays nothing out: a wall of 840 by 400. */
beforeAll(() => {
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 840 });
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, value: 400 });
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly told: () => void) {}
      observe() {
        this.told();
      }
      disconnect() {}
    },
  );
});

const piece = (at: number, state: PieceView['state'] = 'WAITING'): PieceView =>
  ({
    id: `p${at}`,
    orderId: 'order',
    name: `kite${at}_8x10in.jpg`,
    originalPath: `kite${at}.jpg`,
    state,
    width: 2400,
    height: 3000,
    checking: false,
  }) as PieceView;

const pieces = Array.from({ length: 24 }, (_, at) => piece(at, at === 3 ? 'FAILED' : 'CHECKED'));
const brick = (at: number) => screen.getByRole('button', { name: new RegExp(`kite${at}_`) });

describe('the wall of a run', () => {
  it('names each piece with its state', () => {
    render(<Wall pieces={pieces} onChoose={vi.fn()} />);
    expect(screen.getAllByRole('button')).toHaveLength(24);
    expect(brick(3).textContent).toBe('kite3 failed kite3_8x10in.jpg, failed');
    expect(brick(3).className).toContain('laid-failed');
  });

  it('is one stop for Tab, walked with arrows', () => {
    render(<Wall pieces={pieces} onChoose={vi.fn()} />);
    expect(screen.getAllByRole('button').filter((one) => one.tabIndex === 0)).toEqual([brick(0)]);
    brick(0).focus();
    fireEvent.keyDown(brick(0), { key: 'ArrowRight' });
    expect(document.activeElement).toBe(brick(1));
    expect(brick(1).tabIndex).toBe(0);
    fireEvent.keyDown(brick(1), { key: 'End' });
    expect(document.activeElement).toBe(brick(23));
  });

  it('shows the piece that is chosen', () => {
    const chosen = vi.fn();
    render(<Wall pieces={pieces} chosen="p5" onChoose={chosen} />);
    expect(brick(5).getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(brick(7));
    expect(chosen).toHaveBeenCalledWith(pieces[7]);
  });
});
