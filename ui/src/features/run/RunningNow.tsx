import { Link } from 'react-router';
import { duration } from '../../shared/format';
import { runWord, ticketsOf, useRunEvents, useRuns } from './queries';

/** What is running, in the top bar. */
export function RunningNow({ jobId }: { jobId: string }) {
  useRunEvents(jobId);
  const running = useRuns(jobId).data?.find((run) => run.state === 'RUNNING' || run.state === 'PAUSED');
  if (!running) return null;
  const { checked, all } = running.counts;
  return (
    <Link to={`/jobs/${jobId}/run/${running.id}`} className="running-now">
      Run “{ticketsOf(running)}” {checked} of {all}
      {runWord[running.state]}
      {running.secondsLeft !== null && running.secondsLeft !== undefined && `, ${duration(running.secondsLeft)} left`}
    </Link>
  );
}
