export { runWord, useRuns } from './queries';
export { RunningNow } from './RunningNow';
