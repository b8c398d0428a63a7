import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { Problem } from '../../api/problems';
import { count } from '../../shared/format';
import { originalsQuery } from '../originals';
import { separatePrints, separationQuery } from './queries';

/** Makes pictures of the prints on a bed, and says so; `progress` says meanwhile how far it is. */
export function useSeparate(jobId: string, insetPercent: number) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const separate = useMutation({
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
  const { data } = useQuery({ ...separationQuery(separate.variables ?? ''), enabled: separate.isPending });
  return { ...separate, progress: data && data.all > 0 ? `${data.done} of ${data.all} cut out…` : 'Cutting them out…' };
}
