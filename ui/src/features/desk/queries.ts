import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type Relation = Schemas['RelationView'];

/** Changes one of pixels, size and ppi; the server tells the third. */
export const relate = (asked: Schemas['RelationRequest']) => answer(api.POST('/api/v1/desk/relation', { body: asked }));

export const distancesQuery = () =>
  queryOptions({ queryKey: ['desk', 'distances'], queryFn: () => answer(api.GET('/api/v1/desk/distances')) });

export const gradesQuery = (width: number, height: number) =>
  queryOptions({
    queryKey: ['kept', 'grades', width, height],
    queryFn: () => answer(api.GET('/api/v1/desk/sizes', { params: { query: { width, height } } })),
  });

export const pileGradesQuery = (jobId: string | undefined) =>
  queryOptions({
    queryKey: ['kept', 'grades', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/saved-sizes', { params: { path: { jobId: jobId! } } })),
    enabled: jobId !== undefined,
  });
