import { App } from 'antd';
import { useEffect, useState } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import type { Framing } from '../framing';
import type { Line } from './LevelLine';

/**
 * A level line on one picture: drawn, its ends taken again, put away. The tilt that follows is the server's; a later line
 * overtakes an earlier one.
 */
export function useLevelLine(
  originalId: string | undefined,
  framingOf: (originalId: string) => Framing,
  onLevelled: (originalId: string, framing: Framing) => void,
) {
  const [level, setLevel] = useState<Line | 'to-draw'>();
  const { message } = App.useApp();
  useEffect(() => setLevel(undefined), [originalId]);

  const drawn = async (line: Line) => {
    if (!originalId) return;
    setLevel(line);
    try {
      const levelled = await answer(
        api.POST('/api/v1/framings/level', { body: { framing: framingOf(originalId), from: line.from, to: line.to } }),
      );
      onLevelled(originalId, levelled);
    } catch (failed) {
      const problem = Problem.from(failed);
      void message.warning(`${problem.message} ${problem.remedy}`);
      setLevel('to-draw');
    }
  };
  return {
    level,
    draw: setLevel,
    drawn,
    toggle: () => setLevel(level === undefined ? 'to-draw' : undefined),
    /** Without a pointer: a line across the middle third, its ends to be moved by keys. */
    lay: (width: number, height: number) =>
      setLevel({ from: { x: width / 3, y: height / 2 }, to: { x: (2 * width) / 3, y: height / 2 } }),
    putAway: () => setLevel(undefined),
  };
}
