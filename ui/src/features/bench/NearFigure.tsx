import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { measuredText } from '../../shared/format';
import { useRested } from '../../shared/useRested';
import { crossingsQuery } from '../ticket';
import { Figure } from './FiguresBar';
import type { Planned } from './usePlanned';

/** A framing rests this long before it is looked along its lines. */
const RESTS_MILLIS = 350;

/** How near strong detail comes to a fold or trim line, under the framing as it stands. */
export function NearFigure({ planned }: { planned: Planned }) {
  const { subject } = planned;
  const { kind } = subject.ticket.edges;
  return kind === 'wrap' || kind === 'bleed' ? <Near planned={planned} line={kind === 'wrap' ? 'fold' : 'trim'} /> : null;
}

function Near({ planned, line }: { planned: Planned; line: 'fold' | 'trim' }) {
  const { subject, framing } = useRested(planned, RESTS_MILLIS) ?? planned;
  const { data } = useQuery({
    ...crossingsQuery(subject.originalId, subject.ticket, framing, subject.override),
    placeholderData: keepPreviousData,
  });
  const { unit } = subject.ticket;
  const nearest = data && data.crossings.length > 0 ? Math.min(...data.crossings.map(({ millimetres }) => millimetres)) : undefined;
  return (
    <Figure name={`detail at the ${line}`}>
      {!data ? (
        <small>looking</small>
      ) : nearest === undefined ? (
        <small className="near-clear">● clear</small>
      ) : (
        <small className="near-not">
          ◆ {nearest === 0 ? 'on it' : measuredText(nearest, unit)}, {data.crossings.map(({ side }) => side.toLowerCase()).join(', ')}
        </small>
      )}
    </Figure>
  );
}
