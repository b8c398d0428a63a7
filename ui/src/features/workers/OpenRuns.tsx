import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, duration } from '../../shared/format';
import { jobsQuery } from '../jobs';
import { runWord, ticketsOf } from '../run';
import { openRunsQuery, type OpenRun } from './queries';

/** Runs that go on, and which of them come first. */
export function OpenRuns({ runs }: { runs: OpenRun[] }) {
  const names = new Map(useQuery(jobsQuery()).data?.map((job) => [job.id, job.name]));
  const waiting = runs.reduce((sum, { counts }) => sum + counts.waiting, 0);
  if (runs.length === 0) return <p className="quiet">Nothing is running.</p>;
  return (
    <section className="card open-runs" aria-label="Runs that go on">
      <h2>
        {count(runs.length, 'run')}, {count(waiting, 'piece')} to come
      </h2>
      <ul>
        {runs.map((run) => (
          <OneOpenRun key={run.id} run={run} jobName={names.get(run.jobId) ?? ''} isAlone={runs.length === 1} />
        ))}
      </ul>
    </section>
  );
}

function OneOpenRun({ run, jobName, isAlone }: { run: OpenRun; jobName: string; isAlone: boolean }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const { id, jobId, counts, putFirst } = run;
  const params = { path: { id } };
  const move = useMutation({
    mutationFn: (first: boolean) =>
      answer(first ? api.POST('/api/v1/runs/{id}/put-first', { params }) : api.POST('/api/v1/runs/{id}/put-back', { params })),
    onSettled: () => void queries.invalidateQueries({ queryKey: openRunsQuery().queryKey }),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  const tickets = ticketsOf(run);
  return (
    <li>
      <Link to={`/jobs/${jobId}/run/${id}`}>
        “{tickets}” of {jobName}
      </Link>
      <progress aria-label={`“${tickets}”, pieces made`} max={counts.all} value={counts.checked} />
      <span className="quiet">
        {counts.checked} of {counts.all}
        {runWord[run.state]}
        {run.secondsLeft != null && `, ${duration(run.secondsLeft)} left`}
      </span>
      <span>
        {putFirst && <b className="open-run-first">before the others </b>}
        {(!isAlone || putFirst) && (
          <Button size="small" loading={move.isPending} onClick={() => move.mutate(!putFirst)}>
            {putFirst ? 'Put it back' : 'Put it first'}
          </Button>
        )}
      </span>
    </li>
  );
}
