import { Segmented, Select } from 'antd';
import type { ProofScale } from '../pixels';
import type { Against } from './ProofStage';
import type { Beside } from './useCompared';

export const scales: { value: ProofScale; label: string }[] = [
  { value: 1, label: '1:1' },
  { value: 2, label: '2:1' },
  { value: 4, label: '4:1' },
  { value: 'true-size', label: 'true size' },
  { value: 'whole', label: 'whole' },
];

const ways: { value: Against; label: string }[] = [
  { value: 'wipe', label: 'wipe' },
  { value: 'beside', label: 'side by side' },
  { value: 'inTurn', label: 'in turn' },
];

interface Props {
  scale: ProofScale;
  against: Against;
  compared: Beside;
  isSharpened: boolean;
  isTrying: boolean;
  lines: boolean;
  onScale: (scale: ProofScale) => void;
  onAgainst: (against: Against) => void;
  onBeside: (beside: Beside) => void;
  onFlip: () => void;
  onLines: () => void;
  onContour: () => void;
  onNext: () => void;
  onKeys: () => void;
}

/** How the proof is shown, and beside what. */
export function ShownTools(props: Props) {
  const { scale, against, compared, isSharpened, isTrying, lines } = props;
  return (
    <div className="bench-buttons" role="toolbar" aria-label="How it is shown">
      <Segmented<ProofScale> aria-label="Scale" value={scale} onChange={props.onScale} options={scales} />
      <Segmented<Against> aria-label="Compare by" value={against} onChange={props.onAgainst} options={ways} />
      <Select<Beside>
        aria-label="Compare with"
        value={compared}
        onChange={props.onBeside}
        popupMatchSelectWidth={false}
        options={[
          { value: 'ORIGINAL', label: 'the original' },
          { value: 'UNSHARPENED', label: 'not sharpened', disabled: !isSharpened },
          { value: 'TICKET', label: 'as on the ticket', disabled: !isTrying },
          { value: 'COLOURS', label: 'its own colours' },
        ]}
      />
      <button type="button" className="tool" onClick={props.onFlip} disabled={against === 'beside'}>
        <kbd>X</kbd> before, after
      </button>
      <button type="button" className="tool" aria-pressed={lines} onClick={props.onLines}>
        <kbd>L</kbd> lines
      </button>
      <button type="button" className="tool" onClick={props.onContour}>
        <kbd>J</kbd> next contour
      </button>
      <button type="button" className="tool" onClick={props.onNext}>
        <kbd>Enter</kbd> next picture
      </button>
      <button type="button" className="tool" onClick={props.onKeys}>
        <kbd>?</kbd> all keys
      </button>
    </div>
  );
}
