import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Checkbox, Select } from 'antd';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { count } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { counterCheckQuery, counterOrdersQuery, type CounterWish } from './queries';
import { refusalWords } from './refusals';

interface Props {
  runId: string;
  counter: Schemas['CounterView'];
  isFirst: boolean;
}

const NOT_SENT = '';

/** Which product each ticket's pieces become, which of them the counter would refuse, and the button that orders them. */
export function NewOrder({ runId, counter, isFirst }: Props) {
  const queries = useQueryClient();
  const [wish, setWish] = useState<CounterWish>({ products: [], leftOut: [] });
  const [evenRefused, setEvenRefused] = useState(false);
  const [isOpen, setOpen] = useState(isFirst);
  // One key for one order: a click that is sent twice orders once.
  const [key] = useState(() => crypto.randomUUID());
  const check = useQuery({ ...counterCheckQuery(runId, wish), enabled: isOpen, placeholderData: keepPreviousData });
  const refused = check.data?.pieces.filter(({ refusals }) => refusals.length > 0) ?? [];
  const sent = check.data?.pieces.filter(({ refusals }) => evenRefused || refusals.length === 0) ?? [];
  const price = sent.reduce((sum, piece) => sum + piece.price, 0);
  const order = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/runs/{runId}/counter-orders', {
          params: { path: { runId }, header: { 'Idempotency-Key': key } },
          body: { wish, pieces: sent.map(({ pieceId }) => pieceId) },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: counterOrdersQuery(runId).queryKey }),
  });
  if (!isOpen) {
    return (
      <p>
        <Button onClick={() => setOpen(true)}>Order pieces again</Button>
      </p>
    );
  }
  if (check.isPending) return <Loading what="what the counter takes" />;
  if (check.isError) return <Failed error={check.error} again={() => void check.refetch()} />;
  const choose = (orderId: string, product: string) =>
    setWish({
      products: [...wish.products.filter((one) => one.orderId !== orderId), ...(product === NOT_SENT ? [] : [{ orderId, product }])],
      leftOut: [...wish.leftOut.filter((id) => id !== orderId), ...(product === NOT_SENT ? [orderId] : [])],
    });
  const products = counter.products.map(({ id, name, price: each }) => ({
    value: id,
    label: `${name}, ${each.toFixed(2)} each`,
  }));
  return (
    <section className="card counter-new" aria-label="New order">
      <h2>{isFirst ? 'Order these pieces' : 'Order pieces again'}</h2>
      <ul className="counter-tickets">
        {check.data.tickets.map((ticket) => (
          <li key={ticket.orderId}>
            <span>
              {ticket.ticketName}
              <span className="quiet"> {count(ticket.pieces, 'piece')}</span>
            </span>
            <Select
              aria-label={`Product for ${ticket.ticketName}`}
              value={wish.leftOut.includes(ticket.orderId) ? NOT_SENT : (ticket.product ?? NOT_SENT)}
              onChange={(product) => choose(ticket.orderId, product)}
              options={[...products, { value: NOT_SENT, label: 'not ordered' }]}
            />
          </li>
        ))}
      </ul>
      {refused.length > 0 && (
        <div className="counter-refused" role="alert">
          <p>{count(refused.length, 'piece')} would be refused by the counter’s rules:</p>
          <ul>
            {refused.map((piece) => (
              <li key={piece.pieceId}>
                <strong>{piece.name}</strong>
                {piece.refusals.map((refusal) => (
                  <p key={refusal.rule}>{refusalWords(refusal)}</p>
                ))}
              </li>
            ))}
          </ul>
          <Checkbox checked={evenRefused} onChange={(event) => setEvenRefused(event.target.checked)}>
            Send them all the same
          </Checkbox>
        </div>
      )}
      {order.isError && <Failed error={order.error} again={() => order.mutate()} />}
      <p className="counter-order">
        <Button type="primary" disabled={sent.length === 0} loading={order.isPending} onClick={() => order.mutate()}>
          {sent.length === 0
            ? 'Nothing to order'
            : `Order ${count(sent.length, 'piece')} for ${price.toFixed(2)} ${counter.currency ?? ''}`}
        </Button>
      </p>
    </section>
  );
}
