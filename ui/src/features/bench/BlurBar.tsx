import { Button } from 'antd';
import { Problem } from '../../api/problems';
import type { useBlur } from './useBlur';

interface Props {
  blur: ReturnType<typeof useBlur>;
  onUndo: () => void;
}

/** What was measured at the mark, and what can be done about it. */
export function BlurBar({ blur: { mark, measured, putAway }, onUndo }: Props) {
  if (!mark) return null;
  const text =
    measured instanceof Problem
      ? `${measured.message} ${measured.remedy}`
      : (measured?.text ?? 'Measuring. Drag the mark to a straight edge that should be sharp, or move it with the arrow keys.');
  const canUndo = measured !== undefined && !(measured instanceof Problem) && measured.radius > 0;
  return (
    <div className="found-bar" role="status">
      <span>{text}</span>
      {canUndo && (
        <Button size="small" type="primary" onClick={onUndo}>
          Undo this blur <kbd>P</kbd>
        </Button>
      )}
      <Button size="small" onClick={putAway}>
        Put away <kbd>Esc</kbd>
      </Button>
    </div>
  );
}
