export { jobQuery, jobsKey, jobsQuery, useJob } from './queries';
