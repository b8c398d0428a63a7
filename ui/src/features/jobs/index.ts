export { jobsKey, useJob } from './queries';
