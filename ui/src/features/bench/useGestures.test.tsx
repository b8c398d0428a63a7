import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRef } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useGestures } from './useGestures';

const told = { onTake: vi.fn(), onMove: vi.fn(), onRelease: vi.fn(), onWheel: vi.fn(), onHover: vi.fn() };

function Stage() {
  const stage = useRef<HTMLDivElement>(null);
  return <div ref={stage} data-testid="stage" {...useGestures(stage, told)} />;
}

interface Pointer {
  pointerId: number;
  clientX: number;
  clientY: number;
  pointerType?: string;
  altKey?: boolean;
}

const stage = () => screen.getByTestId('stage');
const down = (pointer: Pointer) => fireEvent.pointerDown(stage(), { buttons: 1, button: 0, ...pointer });
const move = (pointer: Pointer) => fireEvent.pointerMove(stage(), { buttons: 1, ...pointer });
const up = (pointer: Pointer) => fireEvent.pointerUp(stage(), { buttons: 0, ...pointer });
const lastWay = () => told.onMove.mock.lastCall?.[0] as { dx: number; dy: number; factor: number; holdsOff: boolean };

beforeEach(() => {
  Object.values(told).forEach((heard) => heard.mockReset());
  HTMLElement.prototype.setPointerCapture = () => undefined;
  HTMLElement.prototype.releasePointerCapture = () => undefined;
  HTMLElement.prototype.hasPointerCapture = () => true;
  render(<Stage />);
});

describe('a hand on the stage', () => {
  it.each(['mouse', 'pen', 'touch'])('takes, moves and lets go, by %s', (pointerType) => {
    down({ pointerId: 1, clientX: 100, clientY: 50, pointerType });
    move({ pointerId: 1, clientX: 130, clientY: 40, pointerType });
    up({ pointerId: 1, clientX: 130, clientY: 40, pointerType });
    expect(told.onTake).toHaveBeenCalledExactlyOnceWith({ x: 100, y: 50 });
    expect(lastWay()).toEqual({ dx: 30, dy: -10, factor: 1, holdsOff: false });
    expect(told.onRelease).toHaveBeenCalledOnce();
  });

  it('holds snapping off while Alt is down', () => {
    down({ pointerId: 1, clientX: 0, clientY: 0 });
    move({ pointerId: 1, clientX: 5, clientY: 0, altKey: true });
    expect(lastWay().holdsOff).toBe(true);
  });

  it('moves and tightens with two fingers; the first finger’s drag ends where it stands', () => {
    down({ pointerId: 1, clientX: 100, clientY: 100, pointerType: 'touch' });
    move({ pointerId: 1, clientX: 110, clientY: 100, pointerType: 'touch' });
    down({ pointerId: 2, clientX: 210, clientY: 100, pointerType: 'touch' });
    expect(told.onRelease).toHaveBeenCalledOnce();
    expect(told.onTake).toHaveBeenLastCalledWith({ x: 160, y: 100 });
    move({ pointerId: 2, clientX: 310, clientY: 100, pointerType: 'touch' });
    expect(lastWay()).toMatchObject({ dx: 50, dy: 0, factor: 2 });
    up({ pointerId: 2, clientX: 310, clientY: 100, pointerType: 'touch' });
    expect(told.onRelease).toHaveBeenCalledTimes(2);
    const ways = told.onMove.mock.calls.length;
    move({ pointerId: 1, clientX: 300, clientY: 100, pointerType: 'touch' });
    expect(told.onMove, 'the finger that stays moves nothing').toHaveBeenCalledTimes(ways);
  });

  it.each(['mouse', 'pen'])('tells where it is without being down, and that it has gone, by %s', (pointerType) => {
    fireEvent.pointerEnter(stage(), { pointerId: 1, clientX: 3, clientY: 4, pointerType });
    fireEvent.pointerMove(stage(), { pointerId: 1, clientX: 7, clientY: 9, buttons: 0, pointerType });
    expect(told.onHover).toHaveBeenLastCalledWith({ x: 7, y: 9 });
    fireEvent.pointerLeave(stage(), { pointerId: 1, clientX: 7, clientY: 9, pointerType });
    expect(told.onHover).toHaveBeenLastCalledWith(undefined);
    expect(told.onTake).not.toHaveBeenCalled();
  });

  it('tightens by the wheel, and the page does not scroll', () => {
    let event!: Event;
    act(() => {
      event = new WheelEvent('wheel', { deltaY: -100, bubbles: true, cancelable: true });
      stage().dispatchEvent(event);
    });
    expect(event.defaultPrevented).toBe(true);
    expect(told.onWheel.mock.lastCall?.[0]).toBeCloseTo(Math.exp(0.12));
  });
});
