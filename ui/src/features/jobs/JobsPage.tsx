import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Popconfirm } from 'antd';
import { useNavigate } from 'react-router';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, day, time } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { runWord, ticketsOf, useRuns } from '../run';
import { OpenFolder, lastName, openFolder } from '../folders';
import { DropPlace, useIntake, type ArrivingFile } from '../intake';
import { jobsKey, jobsQuery } from './queries';
import './jobs.css';

/** What was made last, and how it went. */
function LastRun({ jobId }: { jobId: string }) {
  const runs = useRuns(jobId).data;
  const run = runs?.[0];
  if (!runs) return <span className="quiet">…</span>;
  if (!run) return <span className="quiet">not run yet</span>;
  const { checked, all, failed } = run.counts;
  return (
    <span className="quiet">
      last run “{ticketsOf(run)}”, {day(run.startedAt)} {time(run.startedAt)}: {checked} of {all} checked
      {failed > 0 && `, ${failed} failed`}
      {run.state === 'RUNNING' ? ', running' : runWord[run.state]}
    </span>
  );
}

/** All jobs, and a large place to drop a folder: dropping one makes a job. */
export function JobsPage() {
  const jobs = useQuery(jobsQuery());
  const { newJob } = useIntake();
  const navigate = useNavigate();
  const { message } = App.useApp();

  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: (jobId: string) => answer(api.DELETE('/api/v1/jobs/{id}', { params: { path: { id: jobId } } })),
    onSettled: () => void queries.invalidateQueries({ queryKey: jobsKey }),
    onError: (error) => void message.error(Problem.from(error).message),
  });

  const openInPlace = async (root: string, path: string) => {
    const job = await answer(api.POST('/api/v1/jobs', { body: { name: lastName(root, path) } }));
    try {
      await openFolder(job.id, root, path);
    } catch (error) {
      // Nobody wants a job without pictures for a folder that could not be opened.
      await api.DELETE('/api/v1/jobs/{id}', { params: { path: { id: job.id } } });
      throw error;
    }
    void queries.invalidateQueries({ queryKey: jobsKey });
    void navigate(`/jobs/${job.id}/pile`);
  };

  const begin = async (files: ArrivingFile[], folder: string) => {
    try {
      const jobId = await newJob(folder, files);
      void navigate(`/jobs/${jobId}/pile`);
    } catch (error) {
      void message.error(Problem.from(error).message);
    }
  };

  return (
    <main className="shell-body jobs">
      <h1>Jobs</h1>
      <DropPlace onFiles={(files, folder) => void begin(files, folder)} title="Drop a folder of pictures here">
        It becomes a job. The originals are copied and never changed.{' '}
        <OpenFolder verb="Make a job of" onOpen={openInPlace} />
      </DropPlace>
      {jobs.isPending && <Loading what="the jobs" />}
      {jobs.isError && <Failed error={jobs.error} again={() => void jobs.refetch()} />}
      {jobs.data?.length === 0 && (
        <Empty title="No job yet">
          <p className="quiet">Drop a folder of pictures above to make one.</p>
        </Empty>
      )}
      <ul className="job-list">
        {jobs.data?.map((job) => (
          <li key={job.id} className="job-item">
            <Link to={`/jobs/${job.id}/pile`} className="job card">
              <span className="job-strip">
                {job.strip.map((id) => (
                  <img key={id} src={`/api/v1/originals/${id}/small?edge=384`} alt="" loading="lazy" />
                ))}
              </span>
              <span className="job-words">
                <span className="job-name">{job.name}</span>
                <span className="quiet">
                  {count(job.pictures, 'file')}
                  {job.unusable > 0 && `, ${job.unusable} unusable`} · {count(job.tickets, 'ticket')} · begun{' '}
                  {day(job.createdAt)}
                </span>
                <LastRun jobId={job.id} />
              </span>
            </Link>
            <Popconfirm
              title={`Delete “${job.name}”?`}
              description="Its pictures, framings and tickets are deleted. Delivered files stay."
              okText="Delete"
              cancelText="Cancel"
              onConfirm={() => remove.mutate(job.id)}
            >
              <Button type="text" size="small" className="job-delete" aria-label={`Delete ${job.name}`}>
                Delete
              </Button>
            </Popconfirm>
          </li>
        ))}
      </ul>
      <p className="jobs-foot">
        <Link to="/disk">Disk use, and deliveries to clear away</Link>
      </p>
    </main>
  );
}
