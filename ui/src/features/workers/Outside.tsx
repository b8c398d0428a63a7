import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { count, decimals } from '../../shared/format';
import { allCounterOrdersQuery, counterQuery, counterStateWords, isOrderOver, type CounterOrder } from '../counter';
import { HotFoldersLine } from '../hotfolders';
import { isRollJobOver, rollQuery, type RollState } from '../roll';

/** Hot folders and the services outside in a line each: whether they are there, and what waits at them. */
export function Outside() {
  const counter = useQuery(counterQuery()).data;
  const orders = useQuery(allCounterOrdersQuery()).data ?? [];
  const roll = useQuery(rollQuery()).data;
  const open = orders.filter((order) => !isOrderOver(order));
  const hasCounter = counter && counter.state !== 'NOT_SET_UP';
  const hasRoll = roll && roll.state !== 'NOT_SET_UP';
  return (
    <section className="card outside" aria-label="Outside and hot folders">
      <HotFoldersLine />
      {hasCounter && (
        <p>
          {counter.lab && <strong>{counter.lab} </strong>}
          {counterStateWords[counter.state]}
          {open.length === 0 && counter.state === 'OPEN' ? ', no open orders' : ''}
        </p>
      )}
      {open.length > 0 && (
        <ul>
          {open.map((order) => (
            <li key={order.id}>
              <Link to={`/jobs/${order.jobId}/counter/${order.runId}`}>{order.reference}</Link> {orderWords(order)}
            </li>
          ))}
        </ul>
      )}
      {hasRoll && (
        <p>
          <Link to="/roll">Roll printer</Link> {rollWords(roll)}
        </p>
      )}
    </section>
  );
}

function orderWords({ pieces, state }: CounterOrder): string {
  const refused = pieces.filter((piece) => piece.state === 'REFUSED').length;
  if (state === 'TO_MEND') return `■ ${count(refused, 'piece')} refused: it waits for you`;
  const there = pieces.filter((piece) => piece.state !== 'AWAITED').length;
  return `${there} of ${count(pieces.length, 'piece')} sent`;
}

const METRE = 1000;

const stops: Record<NonNullable<RollState['stop']>, string> = {
  PAPER: '■ the roll has ended: it waits for another',
  JAM: '■ the paper has jammed',
  INK: '■ an ink is used up',
  OTHER_ROLL: '■ waits for another roll',
  SHORT: '■ waits for a longer roll',
};

function rollWords({ loaded, stop, jobs }: RollState): string {
  if (!loaded) return 'cannot be reached';
  if (stop) return stops[stop];
  const open = jobs.filter((job) => !isRollJobOver(job));
  const left = `${decimals(loaded.width / 25.4, 0)} in ${loaded.paper}, ${decimals(loaded.left / METRE, 1)} m left`;
  return open.length > 0 ? `prints, ${count(open.length, 'job')} open; ${left}` : `idle; ${left}`;
}
