import { Button } from 'antd';
import { Problem } from '../../api/problems';
import { count } from '../../shared/format';
import { InsetField, seenPrints, useSeparate } from '../found';
import type { useFound } from './useFound';

interface Props {
  jobId: string;
  originalId: string;
  offer: ReturnType<typeof useFound>;
  /** Hands a found level to be drawn on by hand. */
  onMove: () => void;
}

/** What was found, in words, and what can be done with it. */
export function FoundBar({ jobId, originalId, offer, onMove }: Props) {
  const { looked, found, error, prints, print, left } = offer;
  const separate = useSeparate(jobId, offer.inset);
  if (!looked) {
    return left ? (
      <p className="found-bar found-left" role="status">
        ◆ {left} <Button size="small" onClick={offer.putAway}>Put away</Button>
      </p>
    ) : null;
  }
  const key = looked === 'border' ? 'D' : 'F';
  const text = error
    ? `${Problem.from(error).message} ${Problem.from(error).remedy}`
    : !found
      ? 'Looking at the picture…'
      : looked === 'border'
        ? (prints[print]?.text ?? found.scan.text)
        : (found.level?.text ?? 'Not sure: there are no long straight lines to go by.');
  return (
    <div className="found-bar" role="status">
      <span>
        {prints.length > 1 && looked === 'border' && (
          <>
            Print {print + 1} of {prints.length}.{' '}
          </>
        )}
        {text}
      </span>
      {prints.length > 1 && looked === 'border' && (
        <Button size="small" onClick={offer.next}>
          Next print <kbd>Shift D</kbd>
        </Button>
      )}
      {prints.length > 1 && looked === 'border' && found && seenPrints(found) > 0 && (
        <Button
          size="small"
          loading={separate.isPending}
          onClick={() => separate.mutate(originalId, { onSuccess: offer.putAway })}
        >
          {separate.isPending ? separate.progress : `Make ${count(seenPrints(found), 'picture')}`}
        </Button>
      )}
      {offer.canTake && looked === 'border' && <InsetField percent={offer.inset} onChange={offer.say} />}
      {offer.canTake && (
        <Button size="small" type="primary" onClick={() => void offer.take()}>
          Take <kbd>{key}</kbd>
        </Button>
      )}
      {looked === 'level' && found?.level && (
        <Button size="small" onClick={onMove}>
          Move its ends <kbd>E</kbd>
        </Button>
      )}
      <Button size="small" onClick={offer.putAway}>
        Put away <kbd>Esc</kbd>
      </Button>
    </div>
  );
}
