export { jobsKey, jobsQuery, useJob } from './queries';
