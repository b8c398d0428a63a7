import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button, Popconfirm, Progress } from 'antd';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, day, time } from '../../shared/format';
import { counterOrdersQuery, isOver, type CounterOrder } from './queries';
import { mends, refusalWords } from './refusals';

type Piece = Schemas['CounterPieceView'];

const orderWords: Record<CounterOrder['state'], string> = {
  WAITING: 'waiting for the counter',
  RECEIVING: 'being sent',
  INSPECTING: 'looked at by the counter',
  TO_MEND: 'waits for you: some pieces are refused',
  ACCEPTED: 'accepted, being made',
  READY: 'ready',
  CANCELLED: 'cancelled',
  FAILED: 'not taken',
};

const canCancel = ({ state }: CounterOrder) => !['ACCEPTED', 'READY', 'CANCELLED', 'FAILED'].includes(state);

/** An order as a slip: where it stands, and each piece with what became of it. */
export function OrderSlip({ order }: { order: CounterOrder }) {
  const act = useActs(order);
  const refused = order.pieces.filter(({ state }) => state === 'REFUSED');
  const waits = order.state === 'TO_MEND' || order.state === 'FAILED';
  return (
    <section className="card counter-slip" aria-label={`Order of ${time(order.createdAt)}`}>
      <header>
        <h2>
          Order of {day(order.createdAt)}, {time(order.createdAt)}
        </h2>
        <strong className={waits ? 'counter-waits' : 'counter-state'} role="status">
          {orderWords[order.state]}
        </strong>
        <span>
          {order.price.toFixed(2)} {order.currency}
        </span>
        {canCancel(order) && (
          <Popconfirm title="Cancel this order?" okText="Cancel it" cancelText="Keep it" onConfirm={() => act.cancel()}>
            <Button size="small">Cancel the order</Button>
          </Popconfirm>
        )}
      </header>
      {order.trouble && (
        <p className="counter-trouble" role="alert">
          {order.trouble}
        </p>
      )}
      {order.state === 'TO_MEND' && (
        <div className="counter-mends">
          <span>Change the ticket, run it again, then send the newest piece here.</span>
          {refused.length > 1 && (
            <>
              <Button size="small" onClick={() => act.replace(refused)}>
                Send the newest of all {refused.length}
              </Button>
              <Button size="small" onClick={() => act.withdraw(refused)}>
                Order without these {refused.length}
              </Button>
            </>
          )}
        </div>
      )}
      <table>
        <thead>
          <tr>
            <th scope="col">Piece</th>
            <th scope="col">As</th>
            <th scope="col">Copies</th>
            <th scope="col">Where it stands</th>
          </tr>
        </thead>
        <tbody>
          {order.pieces.map((piece) => (
            <PieceRow key={piece.number} order={order} piece={piece} act={act} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface Acts {
  replace: (pieces: Piece[]) => void;
  withdraw: (pieces: Piece[]) => void;
  cancel: () => void;
}

function useActs(order: CounterOrder): Acts {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const { mutate } = useMutation({
    // One after the other, and all of them: what cannot be done for one stops none of the others.
    mutationFn: async (acts: (() => Promise<CounterOrder>)[]) => {
      const failed: Problem[] = [];
      for (const act of acts) await act().catch((error: unknown) => failed.push(Problem.from(error)));
      return failed;
    },
    onSuccess: ([first, ...others]) => {
      if (!first) return;
      const more = others.length > 0 ? ` So it is with ${count(others.length, 'other piece')}.` : '';
      void message.error(`${first.message} ${first.remedy}${more}`, 8);
    },
    onSettled: () => queries.invalidateQueries({ queryKey: counterOrdersQuery(order.runId).queryKey }),
  });
  const path = { id: order.id };
  const at = ({ number }: Piece) => ({ params: { path: { ...path, number } } });
  return {
    replace: (pieces) =>
      mutate(pieces.map((piece) => () => answer(api.POST('/api/v1/counter-orders/{id}/pieces/{number}/replacement', at(piece))))),
    withdraw: (pieces) =>
      mutate(pieces.map((piece) => () => answer(api.DELETE('/api/v1/counter-orders/{id}/pieces/{number}', at(piece))))),
    cancel: () => mutate([() => answer(api.POST('/api/v1/counter-orders/{id}/cancel', { params: { path } }))]),
  };
}

function PieceRow({ order, piece, act }: { order: CounterOrder; piece: Piece; act: Acts }) {
  const isRefused = piece.state === 'REFUSED' && !isOver(order);
  return (
    <>
      <tr>
        <th scope="row">{piece.name}</th>
        <td>{piece.productName}</td>
        <td className="counter-copies">{piece.copies}</td>
        <td>
          <Standing order={order} piece={piece} />
        </td>
      </tr>
      {isRefused && (
        <tr>
          <td colSpan={4} className="counter-why">
            {piece.refusals.map((refusal) => (
              <p key={refusal.rule}>{refusalWords(refusal)}</p>
            ))}
            <div className="counter-mends">
              {mends(order.jobId, piece.ticketId, piece.refusals).map(({ to, words }) => (
                <Link key={to} to={to}>
                  {words}
                </Link>
              ))}
              <Button size="small" onClick={() => act.replace([piece])}>
                Send the newest made of it
              </Button>
              <Button size="small" onClick={() => act.withdraw([piece])}>
                Order without it
              </Button>
            </div>
          </td>
        </tr>
      )}
    </>
  );
}

function Standing({ order, piece }: { order: CounterOrder; piece: Piece }) {
  if (piece.state === 'REFUSED') return <span className="counter-waits">■ refused ({count(piece.refusals.length, 'rule')})</span>;
  if (piece.state === 'ACCEPTED') return <span className="counter-good">● accepted</span>;
  if (piece.state === 'WITHDRAWN') return <span className="quiet">not ordered after all</span>;
  if (piece.state === 'RECEIVED') return <span>sent, to be looked at</span>;
  if (isOver(order)) return <span className="quiet">not sent</span>;
  const percent = Math.floor((100 * piece.sentBytes) / piece.fileBytes);
  return (
    <span className="counter-sending">
      <Progress percent={percent} size="small" showInfo={false} aria-label={`${piece.name}: ${percent} per cent sent`} />
      {percent === 0 ? 'to be sent' : `${percent} % sent`}
    </span>
  );
}
