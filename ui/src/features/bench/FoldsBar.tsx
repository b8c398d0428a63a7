import { Button } from 'antd';
import { Problem } from '../../api/problems';
import { measuredText, type LengthUnit } from '../../shared/format';
import type { useFolds } from './useFolds';

interface Props {
  folds: ReturnType<typeof useFolds>;
  line: 'fold' | 'trim';
  unit: LengthUnit;
  onTake: () => void;
}

/** The change that clears the folds, in words. */
export function FoldsBar({ folds: { looking, offer, putAway }, line, unit, onTake }: Props) {
  if (!looking) return null;
  const length = (millimetres: number) => measuredText(Math.abs(millimetres), unit);
  const words = () => {
    if (!offer) return 'Looking for the smallest move that clears every side…';
    if (offer instanceof Problem) return `${offer.message} ${offer.remedy}`;
    const { acrossMillimetres: across, downMillimetres: down, looserPercent: looser } = offer;
    const parts = [
      Math.abs(across) > 0.01 && `move the frame ${length(across)} to the ${across > 0 ? 'right' : 'left'}`,
      Math.abs(down) > 0.01 && `move the frame ${length(down)} ${down > 0 ? 'down' : 'up'}`,
      looser > 0.01 && `show ${Math.round(looser)} % more of the picture`,
    ].filter(Boolean);
    return parts.length === 0 ? `Every ${line} is clear as it is.` : `To clear every ${line}: ${parts.join(', ')}.`;
  };
  return (
    <div className="found-bar" role="status">
      <span>{words()} Faces are not recognised, only strong detail.</span>
      {offer && !(offer instanceof Problem) && (
        <Button size="small" type="primary" onClick={onTake}>
          Take <kbd>K</kbd>
        </Button>
      )}
      <Button size="small" onClick={putAway}>
        Put away <kbd>Esc</kbd>
      </Button>
    </div>
  );
}
