import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { centred } from '../framing';
import { moveOf } from './moves';

const paper: Schemas['Handling'] = { moves: 'PICTURE', scaling: 'TIGHTENS', corners: 'FRAMING', size: 'PAPER' };
/** A frame of 8 in across 2400 px that may travel over 1000 px to either side. */
const plan = {
  width: 2400,
  height: 3000,
  realPpi: 254,
  limits: [],
  frame: { travelX: 1000, travelY: 2000 },
} as unknown as Schemas['PlanNumbers'];

describe('moves on the bench', () => {
  it('go by a millimetre of paper, with Shift by five', () => {
    const { by } = moveOf('right', paper)!;
    // 254 px an inch are 10 to the millimetre: a hundredth of what it may travel. The picture goes right, its centre left.
    expect(by(centred, plan, false).centreX).toBeCloseTo(0.49, 10);
    expect(by(centred, plan, true).centreX).toBeCloseTo(0.45, 10);
    expect(moveOf('down', paper)!.by(centred, plan, false).centreY).toBeCloseTo(0.495, 10);
  });

  it('move the frame where its sides are free', () => {
    const free = { ...paper, moves: 'FRAME', scaling: 'FIXED' } as const;
    expect(moveOf('right', free)!.by(centred, plan, false).centreX).toBeCloseTo(0.51, 10);
    expect(moveOf('tighter', free)).toBeUndefined();
  });

  it('leave a picture at scale as large as it is', () => {
    const scale = { ...paper, scaling: 'FIXED', corners: 'TICKET' } as const;
    expect(moveOf('looser', scale)).toBeUndefined();
    expect(moveOf('corners', scale)).toBeUndefined();
    expect(moveOf('quarter', scale)).toBeDefined();
  });

  it('are none where the file stays as it is', () => {
    expect(moveOf('right', { ...paper, moves: 'NOTHING' })).toBeUndefined();
  });

  it('tilt by a tenth of a degree, turn by quarters, and can all be reset', () => {
    let framing = moveOf('tilt-on', paper)!.by(centred, plan, false);
    expect(framing.tiltDegrees).toBeCloseTo(0.1, 10);
    framing = moveOf('quarter', paper)!.by(framing, plan, false);
    expect(framing.quarterTurns).toBe(1);
    expect(moveOf('quarter-back', paper)!.by(framing, plan, false).quarterTurns).toBe(0);
    expect(moveOf('again', paper)!.by(framing, plan, false)).toEqual(centred);
  });

  it('are not what commands of the page do', () => {
    expect(moveOf('accept', paper)).toBeUndefined();
    expect(moveOf('undo', paper)).toBeUndefined();
  });
});
