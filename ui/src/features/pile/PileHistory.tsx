import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';

interface Props {
  /** The edit that would be undone next, in words; none if there is none. */
  undoes: string | undefined;
  redoes: string | undefined;
  onStep: (which: 'undo' | 'redo') => void;
}

/** Undo and redo of the job's edits, as signs: the pile's bar has little room. */
export function PileHistory({ undoes, redoes, onStep }: Props) {
  return (
    <span className="pile-history">
      <Button
        type="text"
        aria-label="Undo"
        icon={<UndoOutlined />}
        disabled={!undoes}
        title={undoes && `Undo: ${undoes} (Ctrl Z)`}
        onClick={() => onStep('undo')}
      />
      <Button
        type="text"
        aria-label="Redo"
        icon={<RedoOutlined />}
        disabled={!redoes}
        title={redoes && `Redo: ${redoes} (Ctrl Shift Z)`}
        onClick={() => onStep('redo')}
      />
    </span>
  );
}
