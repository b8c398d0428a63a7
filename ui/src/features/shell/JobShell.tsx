import { useQuery } from '@tanstack/react-query';
import { NavLink, Outlet, useParams, useSearchParams } from 'react-router';
import { Problem } from '../../api/problems';
import { LinkButton } from '../../shared/LinkButton';
import { Empty, Failed, Loading } from '../../shared/states';
import { count, time } from '../../shared/format';
import { framingsQuery } from '../framing';
import { useIntake } from '../intake';
import { useJob } from '../jobs';
import { estimateQuery, useActiveTicket } from '../ticket';
import { runWord, useRuns } from '../run';

/** A job's pages under the course: the steps of the work, each telling its state in figures. None is locked. */
export function JobShell() {
  const { jobId = '' } = useParams();
  const job = useJob(jobId);
  if (job.isPending) return <Loading what="the job" />;
  if (job.isError && Problem.from(job.error).code === 'not-found') {
    return (
      <main className="shell-body">
        <Empty title="This job was deleted">
          <p className="quiet">Its delivered files are where they were.</p>
          <LinkButton type="primary" to="/">
            Jobs
          </LinkButton>
        </Empty>
      </main>
    );
  }
  if (job.isError) {
    return (
      <main className="shell-body">
        <Failed error={job.error} again={() => void job.refetch()} />
      </main>
    );
  }
  return (
    <>
      <Course jobId={jobId} />
      <Outlet />
    </>
  );
}

function Course({ jobId }: { jobId: string }) {
  const job = useJob(jobId).data;
  const ticket = useActiveTicket(jobId);
  const known = useRuns(jobId).data;
  const runs = known ?? [];
  const never = known ? 'not yet' : '…';
  const { arriving } = useIntake();
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', ticket?.document, ticket?.id)).data;
  const framings = useQuery(framingsQuery(jobId, estimate?.shapeKey)).data;

  const pictures = estimate?.pictures ?? [];
  // Files that will not open are counted by the job; of the others, those too small or refused by the ticket.
  const toLookAt =
    (job?.unusable ?? 0) +
    pictures.filter(({ verdict, problems, held }) => verdict === 'POOR' || held || problems.some(({ subject }) => subject !== 'picture'))
      .length;
  // The picture that is looked at stays the same from page to page.
  const at = useSearchParams()[0].get('at');

  // Counts that come one after the other would contradict each other meanwhile.
  const isArriving = arriving?.jobIds.has(jobId) ?? false;
  const framed = framings?.filter((framing) => framing.accepted).length ?? 0;
  const printable = pictures.filter((picture) => picture.problems.length === 0).length;
  const run = runs[0];
  const done = runs.find((one) => one.state === 'FINISHED');

  const bricks = [
    {
      to: 'pile',
      name: 'Pile',
      state: `${count(job?.pictures ?? 0, 'file')}${isArriving ? ', arriving' : toLookAt > 0 ? `, ${toLookAt} need attention` : ''}`,
      laid: (job?.pictures ?? 0) > 0,
    },
    { to: 'ticket', name: 'Ticket', state: count(job?.tickets ?? 0, 'ticket'), laid: true },
    { to: 'bench', name: 'Bench', state: estimate && framings ? `${framed} of ${printable} framed` : '…', laid: framed > 0 },
    { to: 'proof', name: 'Proof', state: ticket?.document.sharpening.kind === 'none' ? 'pixel for pixel' : 'sharpened', laid: false },
    {
      to: 'run',
      name: 'Run',
      state: run ? `${run.counts.checked} of ${run.counts.all}${runWord[run.state]}` : never,
      laid: run !== undefined,
    },
    {
      to: 'delivery',
      name: 'Delivery',
      state: done?.finishedAt ? `checked ${time(done.finishedAt)}` : never,
      laid: done !== undefined,
    },
  ];
  return (
    <nav className="course" aria-label="Course of the job">
      {bricks.map((brick) => (
        <NavLink
          key={brick.to}
          to={{ pathname: brick.to, search: at ? `?at=${at}` : '' }}
          className={`course-brick${brick.laid ? ' course-laid' : ''}`}
        >
          <span className="course-name">{brick.name}</span>
          <span className="course-state">{brick.state}</span>
        </NavLink>
      ))}
    </nav>
  );
}
