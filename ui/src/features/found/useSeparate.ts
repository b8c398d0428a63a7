import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { Problem } from '../../api/problems';
import { count } from '../../shared/format';
import { originalsQuery } from '../originals';
import { separatePrints } from './queries';

/** Makes pictures of the prints on a bed, and says so. */
export function useSeparate(jobId: string, insetPercent: number) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  return useMutation({
    mutationFn: (originalId: string) => separatePrints(originalId, insetPercent),
    onSuccess: (made) =>
      void message.success(`${count(made.length, 'picture')} made and framed. The scan itself is left out of runs.`, 6),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSettled: () =>
      Promise.all(
        [originalsQuery(jobId).queryKey, ['estimate', jobId], ['framings', jobId], ['edits', jobId]].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      ),
  });
}
