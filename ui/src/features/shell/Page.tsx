import { useQuery } from '@tanstack/react-query';
import { Link, Outlet, useLocation, useMatch } from 'react-router';
import { useIntake } from '../intake';
import { jobQuery } from '../jobs';
import { JobName } from './JobName';
import { RunningNow } from '../run';
import { usePageTitle } from './usePageTitle';
import './shell.css';

/** The places of the application, and by which first part of an address each is known. */
const places = [
  { to: '/', words: 'Jobs', pages: ['/', '/jobs', '/disk'] },
  { to: '/desk', words: 'Desk', pages: ['/desk', '/saved-tickets', '/profiles'] },
  { to: '/floor', words: 'Floor', pages: ['/floor', '/hot-folders', '/roll'] },
];

/** The top bar over every page. */
export function Page() {
  const match = useMatch('/jobs/:jobId/*');
  const jobId = match?.params.jobId;
  const job = useQuery({ ...jobQuery(jobId ?? ''), enabled: jobId !== undefined }).data;
  usePageTitle(job?.name);
  const first = useLocation().pathname.split('/')[1] ?? '';
  return (
    <div className="page">
      <a className="skip" href="#content">
        Skip to the page
      </a>
      <header className="top">
        <Link to="/" className="brand" aria-label="Embrick, all jobs">
          <img src="/mark.svg" alt="" width={26} height={22} /> <span className="brand-name">embrick</span>
        </Link>
        <nav className="top-places" aria-label="Places">
          {places.map(({ to, words, pages }) => (
            <Link key={to} to={to} aria-current={pages.includes(`/${first}`) ? 'page' : undefined}>
              {words}
            </Link>
          ))}
        </nav>
        {jobId && <JobName jobId={jobId} />}
        <span className="top-gap" />
        <Arriving />
        {jobId && <RunningNow jobId={jobId} />}
      </header>
      <div id="content" className="content" tabIndex={-1}>
        <Outlet />
      </div>
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
