export { foldersOf, runWord, ticketsOf, useRuns } from './queries';
export { RunningNow } from './RunningNow';
