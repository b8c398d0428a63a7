import { memo, type ReactNode } from 'react';
import type { Framing } from '../framing';
import { guideWords, type Guide } from './Guides';
import type { BenchAct } from './keys';

interface Props {
  corners: Framing['corners'];
  mirror: Framing['mirror'];
  /** A picture at a scale of its own has no corners to cover. */
  atScale: boolean;
  guide: Guide;
  snaps: boolean;
  loupe: boolean;
  levelling: boolean;
  onAct: (act: BenchAct) => void;
}

const cornerWords: Record<Framing['corners'], string> = {
  COVERED: 'corners covered',
  PAPER: 'corners paper',
  DRAWN_OUT: 'corners drawn out',
};

/** What can be done with the picture on the stage, each with its key. */
export const BenchTools = memo(function BenchTools(props: Props) {
  const { corners, mirror, guide, snaps, loupe, levelling, onAct } = props;
  const tool = (key: string, words: ReactNode, act: BenchAct, pressed?: boolean) => (
    <button type="button" className="tool" aria-pressed={pressed} onClick={() => onAct(act)}>
      <kbd>{key}</kbd> {words}
    </button>
  );
  return (
    <div className="tools">
      {tool('E', 'level line', 'level', levelling)}
      {tool('T', 'turn sheet', 'turn-sheet')}
      {tool('B', 'quarter turn', 'quarter')}
      {tool('M', 'mirror', 'mirror', mirror === 'MIRRORED')}
      {!props.atScale && tool('U', cornerWords[corners], 'corners', corners !== 'COVERED')}
      {tool('G', guideWords[guide], 'guide', guide !== 'none')}
      {tool('N', 'drawn to rim', 'snap', snaps)}
      {tool('L', 'loupe', 'loupe', loupe)}
      {tool('C', 'carry', 'carry')}
      {tool('0', 'start again', 'again')}
      {tool('?', 'all keys', 'keys')}
    </div>
  );
});
