export { foldersOf, runWord, ticketsOf, useRuns, type RunView } from './queries';
export { RunningNow } from './RunningNow';
