import { Button } from 'antd';
import { memo, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { ToolGroup } from '../../shared/ToolGroup';
import type { Override, Framing } from '../framing';
import type { TicketDocument } from '../ticket';
import { guideWords, type Guide } from './Guides';
import type { BenchCommand } from './keys';
import { OwnPart } from './OwnPart';
import type { Looked } from './useFound';

interface Props {
  framing: Framing;
  ticket: TicketDocument;
  override: Override;
  guide: Guide;
  snaps: boolean;
  loupe: boolean;
  levelling: boolean;
  /** What is looked for. */
  looked: Looked | undefined;
  /** Whether an edge is pointed at. */
  pointing: boolean;
  /** What the sheet has on its sides, and whether what comes near is marked. */
  line: 'fold' | 'trim' | undefined;
  guarding: boolean;
  /** Whether the true size is stated. */
  sizing: boolean;
  /** What can be done with the picture; none until it is planned. */
  moves: Schemas['Handling']['moves'] | undefined;
  /** Whether bare corners are this picture's choice. */
  choosesCorners: boolean;
  ownOpen: boolean;
  /** What would be undone and redone, in words. */
  undoes: string | undefined;
  redoes: string | undefined;
  onCommand: (command: BenchCommand) => void;
  onOwnOpen: (open: boolean) => void;
  onOwn: (words: string, override: Override) => void;
}

const cornerWords: Record<Framing['corners'], string> = {
  COVERED: 'fill empty corners',
  PAPER: 'corners paper',
  DRAWN_OUT: 'corners drawn out',
  GROWN: 'corners grown',
};

/** What can be done with the picture on the stage, each with its key. Figures that follow the hand do not draw it anew. */
export const BenchTools = memo(function BenchTools(props: Props) {
  const { framing, ticket, guide, undoes, redoes, onCommand } = props;
  const tool = (key: string, words: ReactNode, command: BenchCommand, pressed?: boolean) => (
    <button type="button" className="tool" aria-pressed={pressed} onClick={() => onCommand(command)}>
      <kbd>{key}</kbd> {words}
    </button>
  );
  const isMarked =
    props.loupe || props.guarding || props.pointing || props.sizing || framing.mirror === 'MIRRORED' || framing.corners !== 'COVERED';
  return (
    <div className="bench-buttons" role="toolbar" aria-label="Framing">
      <Button type="primary" onClick={() => onCommand('accept')}>
        Accept, next <kbd>Enter</kbd>
      </Button>
      <div className="tools">
        {props.moves === 'NOTHING' ? (
          <span className="quiet">This ticket only renames files: there is nothing to frame.</span>
        ) : (
          <>
            {tool('E', 'level line', 'level', props.levelling)}
            {tool('D', 'scan border', 'border', props.looked === 'border')}
            {tool('T', 'turn sheet', 'turn-sheet')}
          </>
        )}
        {tool('G', guideWords[guide], 'guide', guide !== 'none')}
        <ToolGroup name="More" isMarked={isMarked}>
          {props.moves !== 'NOTHING' && (
            <>
              {tool('F', 'find level', 'find-level', props.looked === 'level')}
              {props.line && tool('K', `clear ${props.line}s`, 'folds', props.guarding)}
              {tool('P', 'blur', 'blur', props.pointing)}
              {tool('Z', 'true size', 'size', props.sizing)}
              {tool('B', 'quarter turn', 'quarter')}
              {tool('M', 'mirror', 'mirror', framing.mirror === 'MIRRORED')}
              {props.choosesCorners &&
                tool('U', cornerWords[framing.corners], 'corners', framing.corners !== 'COVERED')}
            </>
          )}
          {tool('L', 'loupe', 'loupe', props.loupe)}
          {tool('N', 'snap', 'snap', props.snaps)}
          {tool('C', 'carry', 'carry')}
          {tool('0', 'reset', 'again')}
        </ToolGroup>
      </div>
      <OwnPart
        override={props.override}
        ticket={ticket}
        open={props.ownOpen}
        onOpen={props.onOwnOpen}
        onChange={props.onOwn}
      />
      <Button disabled={!undoes} title={undoes && `Undo: ${undoes}`} onClick={() => onCommand('undo')}>
        Undo
      </Button>
      <Button disabled={!redoes} title={redoes && `Redo: ${redoes}`} onClick={() => onCommand('redo')}>
        Redo
      </Button>
      <button type="button" className="tool" aria-label="all keys" title="all keys" onClick={() => onCommand('keys')}>
        <kbd>?</kbd>
      </button>
    </div>
  );
});
