import { useQuery } from '@tanstack/react-query';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { useRested } from '../../shared/useRested';
import { fetchProof, reducedSheet } from '../pixels';
import type { Planned } from './usePlanned';
import type { Rect } from './viewTransform';

interface Props {
  planned: Planned;
  total: Rect;
  sheet: Rect;
  /** While the hand moves the picture its bands are of yesterday. */
  moving: boolean;
}

/** A framing rests this long before its bands are made. */
const RESTS_MILLIS = 300;

/** The bands as the file will have them, made small: the piece's own pixels, shown where the sheet is not. */
export function BandPixels({ planned, total, sheet, moving }: Props) {
  const isRested = useRested(planned, RESTS_MILLIS) === planned && !moving && total.width > 0;
  const { plan, subject, framing } = planned;
  const reduction = plan.width / (total.width * devicePixelRatio);
  const asked = reduction > 1 ? Math.round(reduction * 100) / 100 : null;
  const region = { x: 0, y: 0, ...reducedSheet(plan, asked) };
  const { data } = useQuery({
    queryKey: ['bands', subject, framing, region, asked],
    enabled: isRested && Math.max(region.width, region.height) <= 2400,
    gcTime: 30_000,
    staleTime: Infinity,
    retry: false,
    queryFn: ({ signal }) => fetchProof({ ...subject, framing }, { region, show: 'FILE', look: 'WHITE', reduction: asked }, signal),
  });
  const url = useObjectUrl(data?.blob);
  if (!isRested || !url) return null;
  const left = sheet.x - total.x;
  const top = sheet.y - total.y;
  const ring = [
    [0, 0],
    [total.width, 0],
    [total.width, total.height],
    [0, total.height],
    [0, 0],
    [left, top],
    [left, top + sheet.height],
    [left + sheet.width, top + sheet.height],
    [left + sheet.width, top],
    [left, top],
  ];
  return (
    <img
      className="stage-made"
      src={url}
      alt=""
      draggable={false}
      width={total.width}
      height={total.height}
      style={{
        transform: `translate(${total.x}px, ${total.y}px)`,
        clipPath: `polygon(evenodd, ${ring.map(([x, y]) => `${x}px ${y}px`).join(', ')})`,
      }}
    />
  );
}
