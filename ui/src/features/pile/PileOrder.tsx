import { Button } from 'antd';
import type { Schemas } from '../../api/client';
import { keptOrders, shownOrders, type ShownOrder } from './pileModel';

type KeptOrder = Schemas['JobView']['pileOrder'];

interface Props {
  /** The job's own order, in which pictures are numbered. */
  kept: KeptOrder;
  /** Another that is only shown. */
  shown: ShownOrder | undefined;
  /** Puts the selected pictures before all others; not there while none is selected. */
  onMoveFirst: (() => void) | undefined;
  onKept: (order: KeptOrder) => void;
  onShown: (order: ShownOrder) => void;
  /** Makes the order that is shown the job's. */
  onKeepShown: () => void;
}

/** In which order the pile is shown: the job's own, which numbers, lists and sheets follow, or another to look at. */
export function PileOrder({ kept, shown, onMoveFirst, onKept, onShown, onKeepShown }: Props) {
  return (
    <>
      <select
        className="pile-sort"
        aria-label="Order"
        title="The job’s order is also that of running numbers, lists and sheets"
        value={shown ?? kept}
        onChange={({ target: { value } }) =>
          value in keptOrders ? onKept(value as KeptOrder) : onShown(value as ShownOrder)
        }
      >
        <optgroup label="Order of the job">
          {Object.entries(keptOrders)
            .filter(([value]) => value !== 'LOSS' || kept === 'LOSS')
            .map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
        </optgroup>
        <optgroup label="Only shown so">
          {Object.entries(shownOrders).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </optgroup>
      </select>
      {!shown && onMoveFirst && (
        <Button type="text" title="The selected pictures before all others; one at a time with Ctrl and the arrows" onClick={onMoveFirst}>
          Move first
        </Button>
      )}
      {shown && (
        <Button type="text" title="Number, list and lay out the pictures in this order" onClick={onKeepShown}>
          Keep this order
        </Button>
      )}
    </>
  );
}
