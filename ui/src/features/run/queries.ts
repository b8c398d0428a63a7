import { queryOptions, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { listed } from '../../shared/format';

export type RunView = Schemas['RunView'];
export type PieceView = Schemas['PieceView'];
type WholeRun = Schemas['WholeRun'];

/** The tickets that a run makes, in a word each. */
export const ticketsOf = ({ orders }: RunView) => listed(orders.map(({ ticketName }) => ticketName));

/** The folders that a run's files go to: their names in the job's own folder. */
export const foldersOf = ({ orders }: RunView) => listed(orders.map(({ folder }) => folder.slice(folder.indexOf('/') + 1)));

/** How a run's state is told behind its figures. */
export const runWord: Record<RunView['state'], string> = {
  RUNNING: '',
  PAUSED: ', paused',
  STOPPED: ', stopped',
  FINISHED: '',
};

export const runsQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['runs', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/runs', { params: { path: { jobId } } })),
  });

export const useRuns = (jobId: string) => useQuery(runsQuery(jobId));

export const runQuery = (runId: string | undefined) =>
  queryOptions({
    queryKey: ['run', runId],
    enabled: runId !== undefined,
    queryFn: () => answer(api.GET('/api/v1/runs/{id}', { params: { path: { id: runId! } } })),
  });

/** Pieces that were told, laid over those that were known. */
export function merged(known: WholeRun | undefined, told: WholeRun): WholeRun | undefined {
  if (!known) return undefined;
  const changed = new Map(told.pieces.map((piece) => [piece.id, piece]));
  return { run: told.run, pieces: known.pieces.map((piece) => changed.get(piece.id) ?? piece) };
}

/**
 * Keeps runs of a job up to date while a page is seen, by the server's events.
 *
 * A page out of sight, in another tab or kept by the browser for going back, lets its connection go: browsers give six to
 * all pages of one server together, and a page that waits for a seventh stands still.
 */
export function useRunEvents(jobId: string) {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | undefined;
    const close = () => {
      source?.close();
      source = undefined;
    };
    const open = () => {
      source ??= listen(jobId, queries);
    };
    const follow = () => (document.visibilityState === 'visible' ? open() : close());
    follow();
    document.addEventListener('visibilitychange', follow);
    window.addEventListener('pagehide', close);
    window.addEventListener('pageshow', follow);
    return () => {
      document.removeEventListener('visibilitychange', follow);
      window.removeEventListener('pagehide', close);
      window.removeEventListener('pageshow', follow);
      close();
    };
  }, [jobId, queries]);
}

function listen(jobId: string, queries: QueryClient): EventSource {
  const source = new EventSource(`/api/v1/jobs/${jobId}/events`);
  source.addEventListener('run', (event) => {
    const told = JSON.parse((event as MessageEvent<string>).data) as WholeRun;
    queries.setQueryData(runQuery(told.run.id).queryKey, (known) => merged(known, told));
    queries.setQueryData(runsQuery(jobId).queryKey, (runs) =>
      runs?.some((run) => run.id === told.run.id)
        ? runs.map((run) => (run.id === told.run.id ? told.run : run))
        : [told.run, ...(runs ?? [])],
    );
  });
  // After a break what was missed is fetched; the browser connects again by itself.
  source.addEventListener('open', () => {
    void queries.invalidateQueries({ queryKey: ['run'] });
    void queries.invalidateQueries({ queryKey: ['runs', jobId] });
  });
  return source;
}
