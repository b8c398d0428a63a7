import { Button, Radio, Segmented, Space } from 'antd';
import type { ReactNode } from 'react';
import { decimals } from '../../shared/format';
import { FormPopover } from '../../shared/FormPopover';
import { ToolGroup } from '../../shared/ToolGroup';
import type { ProofScale } from '../pixels';
import type { Against } from './ProofStage';
import type { Overlay } from './queries';
import type { Beside } from './useCompared';

export const scales: { value: ProofScale; label: string }[] = [
  { value: 1, label: '1:1' },
  { value: 2, label: '2:1' },
  { value: 4, label: '4:1' },
  { value: 'true-size', label: 'true size' },
  { value: 'whole', label: 'whole' },
];

const ways: Record<Against, string> = { wipe: 'wipe', beside: 'side by side', inTurn: 'in turn' };

const besideWords: Record<Beside, string> = {
  ORIGINAL: 'the original',
  UNSHARPENED: 'not sharpened',
  TICKET: 'as on the ticket',
  COLOURS: 'its own colours',
};

interface Props {
  scale: ProofScale;
  against: Against;
  compared: Beside;
  isSharpened: boolean;
  isTrying: boolean;
  lines: boolean;
  isOnPaper: boolean;
  overlay: Overlay | undefined;
  isPrint: boolean;
  /** Whether detail is added by learned filters, and whether there is a canvas to see in space. */
  learns: boolean;
  isWrap: boolean;
  space: boolean;
  displayPpi: number | undefined;
  /** Other ways to look at it, which open over the page. */
  children: ReactNode;
  onScale: (scale: ProofScale) => void;
  onAgainst: (against: Against) => void;
  onBeside: (beside: Beside) => void;
  onFlip: () => void;
  onLines: () => void;
  onContour: () => void;
  onPaper: () => void;
  onOverlay: (overlay: Overlay) => void;
  onSpace: () => void;
  onMeasure: () => void;
  onKeys: () => void;
}

/** How the proof is shown, and beside what: the daily tools in one row, the others in groups. */
export function ShownTools(props: Props) {
  const { scale, against, lines, overlay, isPrint, learns, isWrap, space } = props;
  return (
    <div className="bench-buttons" role="toolbar" aria-label="How it is shown">
      <Segmented<ProofScale> aria-label="Scale" value={scale} onChange={props.onScale} options={scales} />
      <Compare {...props} />
      <Tool name="P" pressed={props.isOnPaper} onClick={props.onPaper}>
        soft proof
      </Tool>
      <Tool
        name="M"
        pressed={overlay === 'unprintable'}
        {...(!isPrint && { missing: 'Choose a paper profile first' })}
        onClick={() => props.onOverlay('unprintable')}
      >
        gamut check
      </Tool>
      <ToolGroup name="Show" isMarked={overlay === 'learned' || space || !lines}>
        <Tool name="X" {...(against === 'beside' && { missing: 'Both are in sight' })} onClick={props.onFlip}>
          before, after
        </Tool>
        <Tool name="J" onClick={props.onContour}>
          next contour
        </Tool>
        <Tool name="L" pressed={lines} onClick={props.onLines}>
          lines
        </Tool>
        {learns && (
          <Tool name="D" pressed={overlay === 'learned'} onClick={() => props.onOverlay('learned')}>
            added detail: tinted where it was added, striped where it was held back as unreliable
          </Tool>
        )}
        {isWrap && (
          <Tool name="V" pressed={space} onClick={props.onSpace}>
            canvas in space
          </Tool>
        )}
      </ToolGroup>
      {props.children}
      {scale === 'true-size' && (
        <Button onClick={props.onMeasure}>
          {props.displayPpi ? `${decimals(props.displayPpi, 1)} pixels per inch of display` : 'Measure this display'}
        </Button>
      )}
      <button type="button" className="tool tools-end" aria-label="all keys" title="all keys" onClick={props.onKeys}>
        <kbd>?</kbd>
      </button>
    </div>
  );
}

function Compare({ against, compared, isSharpened, isTrying, onAgainst, onBeside }: Props) {
  const isMissing: Record<Beside, boolean> = { ORIGINAL: false, UNSHARPENED: !isSharpened, TICKET: !isTrying, COLOURS: false };
  const form = (
    <Space orientation="vertical" size={12}>
      <Radio.Group aria-label="Compare by" value={against} onChange={({ target }) => onAgainst(target.value as Against)}>
        {Object.entries(ways).map(([value, words]) => (
          <Radio key={value} value={value}>
            {words}
          </Radio>
        ))}
      </Radio.Group>
      <Radio.Group aria-label="Compare with" value={compared} onChange={({ target }) => onBeside(target.value as Beside)}>
        <Space orientation="vertical" size={4}>
          {(Object.keys(besideWords) as Beside[]).map((value) => (
            <Radio key={value} value={value} disabled={isMissing[value]}>
              {besideWords[value]}
            </Radio>
          ))}
        </Space>
      </Radio.Group>
    </Space>
  );
  return (
    <FormPopover title="Compare" placement="top" content={form}>
      <Button>
        {ways[against]}: {besideWords[compared]}
      </Button>
    </FormPopover>
  );
}

interface ToolProps {
  /** Its key. */
  name: string;
  pressed?: boolean;
  /** Why it cannot be used now. */
  missing?: string;
  onClick: () => void;
  children: ReactNode;
}

function Tool({ name, pressed, missing, onClick, children }: ToolProps) {
  return (
    <button type="button" className="tool" aria-pressed={pressed} disabled={missing !== undefined} title={missing} onClick={onClick}>
      <kbd>{name}</kbd> {children}
    </button>
  );
}
