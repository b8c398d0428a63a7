import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { bytes, count, day, time } from '../../shared/format';
import { foldersOf, ticketsOf } from '../run';

type Run = Schemas['RunView'];

interface Props {
  jobId: string;
  runs: Run[];
  onDeleted: (run: Run) => void;
}

/** Every run of the job with its room on the disk, to be deleted with its files or without. */
export function AllRuns({ jobId, runs, onDeleted }: Props) {
  const all = runs.reduce((sum, { fileBytes }) => sum + fileBytes, 0);
  return (
    <section className="card delivery-runs" aria-label="All runs of this job">
      <h2>
        All runs of this job <span className="quiet">{bytes(all)}</span>
      </h2>
      <ul>
        {runs.map((run) => (
          <li key={run.id}>
            <Link to={`/jobs/${jobId}/delivery/${run.id}`}>{foldersOf(run)}</Link>
            <span className="quiet">
              {ticketsOf(run)}, {day(run.startedAt)} {time(run.startedAt)}
            </span>
            <span>
              {run.counts.checked} of {run.counts.all} checked
            </span>
            <span>{bytes(run.fileBytes)}</span>
            <DeleteRun run={run} onDeleted={() => onDeleted(run)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function DeleteRun({ run, onDeleted }: { run: Run; onDeleted: () => void }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const remove = useMutation({
    mutationFn: (files: 'KEPT' | 'DELETED') =>
      answer(api.DELETE('/api/v1/runs/{id}', { params: { path: { id: run.id }, query: { files } } })),
    onSuccess: (_, files) => {
      void message.success(files === 'DELETED' ? `${foldersOf(run)} ${run.orders.length > 1 ? 'were' : 'was'} deleted.` : `The run was deleted; ${foldersOf(run)} ${run.orders.length > 1 ? 'stay' : 'stays'}.`);
      onDeleted();
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
    onSettled: () => void queries.invalidateQueries({ queryKey: ['runs', run.jobId] }),
  });
  const isAtWork = run.state === 'RUNNING' || run.state === 'PAUSED';
  return (
    <FormPopover
      title={`Delete this run of ${count(run.counts.all, 'piece')}?`}
      content={
        <div className="delivery-delete">
          <p className="quiet">Changed files, and any other files in the folder, are kept.</p>
          <Button danger loading={remove.isPending} onClick={() => remove.mutate('DELETED')}>
            Delete the run and its files, {bytes(run.fileBytes)}
          </Button>
          <Button loading={remove.isPending} onClick={() => remove.mutate('KEPT')}>
            Delete the run, keep its files
          </Button>
        </div>
      }
    >
      <Button type="text" size="small" disabled={isAtWork} title={isAtWork ? 'Stop it first' : undefined}>
        Delete
      </Button>
    </FormPopover>
  );
}
