import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { Problem } from '../../api/problems';
import { historyQuery, picturesChanged, sendEdit, type EditRequest } from '../framing';

type PileEdit = Pick<EditRequest, 'words'> & Partial<Pick<EditRequest, 'exclusions' | 'pileOrder'>>;

/** Edits of the pile itself: which pictures are excluded from runs, and in which order all are. Undone as any edit. */
export function usePileEdits(jobId: string) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  return useMutation({
    // One after the other: a second move counts on the first.
    scope: { id: `pile edits of ${jobId}` },
    mutationFn: (edit: PileEdit) => sendEdit(jobId, { framings: [], overrides: [], exclusions: null, ...edit }),
    onSuccess: (outcome) => queries.setQueryData(historyQuery(jobId).queryKey, outcome.history),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSettled: () => picturesChanged(queries, jobId),
  });
}
