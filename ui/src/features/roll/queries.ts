import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type RollState = Schemas['RollView'];
export type RollJob = Schemas['RollJob'];
export type RollPiece = Schemas['RollPiece'];

const WHILE_PRINTING_MILLIS = 500;
const AT_REST_MILLIS = 5000;

export const isOver = ({ state }: RollJob) => state === 'DONE' || state === 'CANCELLED';

export const rollQuery = () =>
  queryOptions({
    queryKey: ['roll'],
    queryFn: () => answer(api.GET('/api/v1/roll')),
    refetchInterval: ({ state }) => (state.data && state.data.jobs.every(isOver) ? AT_REST_MILLIS : WHILE_PRINTING_MILLIS),
  });
