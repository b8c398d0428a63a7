import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { Failed, Loading } from '../../shared/states';
import { NewOrder } from './NewOrder';
import { OrderSlip } from './OrderSlip';
import { counterOrdersQuery, counterQuery } from './queries';
import { counterStateWords } from './words';
import './counter.css';

/** A delivery's pieces ordered at a lab's counter, and what becomes of them there. */
export function CounterPage() {
  const { jobId = '', runId = '' } = useParams();
  const counter = useQuery(counterQuery());
  const orders = useQuery(counterOrdersQuery(runId));
  if (counter.isPending || orders.isPending) return <Loading what="the counter" />;
  if (orders.isError) return <Failed error={orders.error} again={() => void orders.refetch()} />;
  if (counter.isError) return <Failed error={counter.error} again={() => void counter.refetch()} />;
  const { data } = counter;
  const takesOrders = data.state === 'OPEN' || data.state === 'FULL';
  return (
    <main className="shell-body counter">
      <header className="counter-head">
        <h1>{data.lab ?? 'The counter'}</h1>
        <Link to={`/jobs/${jobId}/delivery/${runId}`}>Back to the delivery</Link>
      </header>
      {data.state !== 'OPEN' && (
        <p className="counter-away" role="status">
          {counterStateWords[data.state]}
        </p>
      )}
      {orders.data.map((order) => (
        <OrderSlip key={order.id} order={order} />
      ))}
      {takesOrders && <NewOrder key={orders.data.length} runId={runId} counter={data} isFirst={orders.data.length === 0} />}
    </main>
  );
}
