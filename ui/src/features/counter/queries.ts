import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type CounterOrder = Schemas['CounterOrderView'];
export type CounterWish = Schemas['CounterWish'];
export type Refusal = Schemas['Refusal'];

const WHILE_OPEN_MILLIS = 1000;
const AT_REST_MILLIS = 10_000;

export const isOver = ({ state }: CounterOrder) => state === 'READY' || state === 'CANCELLED' || state === 'FAILED';

export const counterQuery = () =>
  queryOptions({
    queryKey: ['counter'],
    queryFn: () => answer(api.GET('/api/v1/counter')),
    refetchInterval: AT_REST_MILLIS,
  });

export const counterOrdersQuery = (runId: string) =>
  queryOptions({
    queryKey: ['counter-orders', runId],
    queryFn: () => answer(api.GET('/api/v1/runs/{runId}/counter-orders', { params: { path: { runId } } })),
    refetchInterval: ({ state }) => (state.data?.every(isOver) ? AT_REST_MILLIS : WHILE_OPEN_MILLIS),
  });

export const counterCheckQuery = (runId: string, wish: CounterWish) =>
  queryOptions({
    queryKey: ['counter-check', runId, wish],
    queryFn: () =>
      answer(api.POST('/api/v1/runs/{runId}/counter-orders/check', { params: { path: { runId } }, body: wish })),
    staleTime: 0,
  });

/** The newest of all jobs. */
export const allCounterOrdersQuery = () =>
  queryOptions({
    queryKey: ['counter-orders'],
    queryFn: () => answer(api.GET('/api/v1/counter-orders')),
    refetchInterval: AT_REST_MILLIS,
  });
