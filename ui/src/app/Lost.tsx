import { Button } from 'antd';
import { Link, useRouteError } from 'react-router';
import { Empty } from '../shared/states';

/** Where a page cannot be drawn: what is kept on the server is not touched by it. */
export function Lost() {
  const error = useRouteError();
  // A page whose code cannot be fetched belongs to an earlier build, or the server is away.
  const isAway = error instanceof TypeError && /import|fetch|module/i.test(error.message);
  return (
    <main className="shell-body" role="alert">
      <Empty title={isAway ? 'This page could not be fetched.' : 'This page has met an error.'}>
        <p className="quiet">
          {isAway
            ? 'Embrick may have been stopped or updated. Nothing is lost; load the page again.'
            : 'Nothing that was kept is lost. Load the page again; if it happens again, report the text below.'}
        </p>
        {!isAway && <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>}
        <p>
          <Button type="primary" onClick={() => window.location.reload()}>
            Load again
          </Button>{' '}
          <Link to="/">All jobs</Link>
        </p>
      </Empty>
    </main>
  );
}

export function NoSuchPage() {
  return (
    <main className="shell-body">
      <Empty title="There is no page at this address.">
        <p className="quiet">
          It may have been mistyped, or what it showed was deleted. <Link to="/">All jobs</Link>
        </p>
      </Empty>
    </main>
  );
}
