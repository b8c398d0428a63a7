import { useQuery } from '@tanstack/react-query';
import { crossingsQuery } from '../ticket';
import type { Planned } from './usePlanned';
import type { Rect } from './viewTransform';

interface Props {
  planned: Planned;
  sheet: Rect;
}

const DEEP = 10;

/** The places at which strong detail is near a fold or trim, along the sheet's sides. */
export function FoldMarks({ planned: { subject, framing }, sheet }: Props) {
  const { data } = useQuery(crossingsQuery(subject.originalId, subject.ticket, framing, subject.override));
  return (
    <svg className="fold-marks" aria-hidden="true">
      {data?.places.map(({ side, from, to }, i) => {
        const isUpright = side === 'LEFT' || side === 'RIGHT';
        const along = isUpright ? sheet.height : sheet.width;
        const x = side === 'RIGHT' ? sheet.x + sheet.width : sheet.x;
        const y = side === 'BOTTOM' ? sheet.y + sheet.height : sheet.y;
        return isUpright ? (
          <rect key={i} x={x - DEEP / 2} y={y + from * along} width={DEEP} height={(to - from) * along} />
        ) : (
          <rect key={i} x={x + from * along} y={y - DEEP / 2} width={(to - from) * along} height={DEEP} />
        );
      })}
    </svg>
  );
}
