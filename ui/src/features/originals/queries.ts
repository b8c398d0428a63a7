import { queryOptions, useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { answer, api, smallPicture } from '../../api/client';

export const originalsQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['originals', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/originals', { params: { path: { jobId } } })),
  });

/** The address of an original's small picture by its id: another one after the picture was replaced. */
export function useSmallPictures(jobId: string): (originalId: string) => string {
  const originals = useOriginals(jobId).data;
  return useCallback(
    (originalId) => {
      const original = originals?.find(({ id }) => id === originalId);
      return original ? smallPicture(original, 384) : `/api/v1/originals/${originalId}/small?edge=384`;
    },
    [originals],
  );
}

export const useOriginals = (jobId: string) => useQuery(originalsQuery(jobId));
