import { useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useEffect, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import type { Line } from './LevelLine';
import { toOriented, type Seen } from './viewTransform';

type Length = { value: number; unit: Schemas['LengthDocument']['unit'] };

/** What a statement of size changes: the picture's own figures, and every plan by scale. */
const follow = ['originals', 'estimate', 'plan', 'proof'];

/** The size that a scan's file has lost: stated by a line of known length, or by the scanner's ppi. */
export function useTrueSize(originalId: string | undefined) {
  /** In pixels of the seen picture; its two ends are moved. */
  const [line, setLine] = useState<Line>();
  const queries = useQueryClient();
  const { message } = App.useApp();
  useEffect(() => setLine(undefined), [originalId]);

  const say = async (body: Schemas['TrueSizeWish']) => {
    if (!originalId) return;
    try {
      await answer(
        api.PUT('/api/v1/originals/{id}/true-size', { params: { path: { id: originalId } }, body }),
      );
      for (const key of follow) void queries.invalidateQueries({ queryKey: [key] });
    } catch (failed) {
      const problem = Problem.from(failed);
      void message.warning(`${problem.message} ${problem.remedy}`);
    }
  };
  return {
    line,
    draw: setLine,
    toggle: ({ width, height }: Seen) =>
      setLine(line ? undefined : { from: { x: width / 3, y: height / 2 }, to: { x: (2 * width) / 3, y: height / 2 } }),
    putAway: () => setLine(undefined),
    byLine: (seen: Seen, length: Length) =>
      line && say({ ppi: null, known: { from: toOriented(seen, line.from), to: toOriented(seen, line.to), length } }),
    byPpi: (ppi: number) => say({ ppi, known: null }),
    forget: () => say({ ppi: null, known: null }),
  };
}
