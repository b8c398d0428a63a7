import { useQuery } from '@tanstack/react-query';
import { Link, Outlet, useMatch } from 'react-router';
import { useIntake } from '../intake';
import { LinkButton } from '../../shared/LinkButton';
import { jobQuery } from '../jobs';
import { JobName } from './JobName';
import { RunningNow } from '../run';
import { usePageTitle } from './usePageTitle';
import './shell.css';

/** The top bar over every page. */
export function Page() {
  const match = useMatch('/jobs/:jobId/*');
  const jobId = match?.params.jobId;
  const job = useQuery({ ...jobQuery(jobId ?? ''), enabled: jobId !== undefined }).data;
  usePageTitle(job?.name);
  return (
    <div className="page">
      <header className="top">
        <Link to="/" className="brand" aria-label="Embrick, all jobs">
          <img src="/mark.svg" alt="" width={26} height={22} /> embrick
        </Link>
        {jobId && <JobName jobId={jobId} />}
        <span className="top-gap" />
        <Arriving />
        {jobId && <RunningNow jobId={jobId} />}
        <LinkButton to="/workers">Workers</LinkButton>
        <LinkButton to="/hot-folders">Hot folders</LinkButton>
        <LinkButton to="/roll">Roll</LinkButton>
        <LinkButton to="/desk">Desk</LinkButton>
        <LinkButton to="/">Jobs</LinkButton>
      </header>
      <Outlet />
    </div>
  );
}

function Arriving() {
  const { arriving } = useIntake();
  if (!arriving) return null;
  return (
    <span className="quiet" role="status">
      arriving {arriving.done} of {arriving.all}
    </span>
  );
}
