import { Button } from 'antd';
import { Link, Outlet, useMatch } from 'react-router';
import { useIntake } from '../intake';
import { JobName } from './JobName';
import { RunningNow } from '../run';
import './shell.css';

/** The top bar over every page. */
export function Page() {
  const match = useMatch('/jobs/:jobId/*');
  const jobId = match?.params.jobId;
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
        <Link to="/workers">
          <Button tabIndex={-1}>Workers</Button>
        </Link>
        <Link to="/hot-folders">
          <Button tabIndex={-1}>Hot folders</Button>
        </Link>
        <Link to="/roll">
          <Button tabIndex={-1}>Roll</Button>
        </Link>
        <Link to="/desk">
          <Button tabIndex={-1}>Desk</Button>
        </Link>
        <Link to="/">
          <Button tabIndex={-1}>Jobs</Button>
        </Link>
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
