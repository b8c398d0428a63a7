import { useEffect } from 'react';
import { useLocation } from 'react-router';

/** What each page is called, by the part of its address that says which it is. */
const pageWords: Record<string, string> = {
  '': 'Jobs',
  disk: 'Disk use',
  roll: 'Roll',
  floor: 'Floor',
  'hot-folders': 'Hot folders',
  desk: 'Desk',
  'saved-tickets': 'Saved tickets',
  profiles: 'Profiles',
  pile: 'Pile',
  ticket: 'Ticket',
  bench: 'Bench',
  proof: 'Proof',
  run: 'Run',
  counter: 'Counter',
  layout: 'Arrange on paper',
  delivery: 'Delivery',
};

/** The title of the window: of many tabs each says its job and its page. */
export function pageTitle(pathname: string, jobName: string | undefined): string {
  const [first = '', , step = 'pile'] = pathname.split('/').slice(1);
  const page = pageWords[first === 'jobs' ? step : first];
  return [first === 'jobs' ? jobName : undefined, page, 'Embrick'].filter(Boolean).join(' · ');
}

export function usePageTitle(jobName: string | undefined) {
  const { pathname } = useLocation();
  useEffect(() => {
    document.title = pageTitle(pathname, jobName);
  }, [pathname, jobName]);
}
