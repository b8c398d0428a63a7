export { runWord, useRuns } from './queries';
export { RunPage } from './RunPage';
export { RunningNow } from './RunningNow';
