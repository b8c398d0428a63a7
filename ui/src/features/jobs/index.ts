export { JobsPage } from './JobsPage';
export { jobsKey, useJob } from './queries';
