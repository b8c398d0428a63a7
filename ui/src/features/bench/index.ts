export { BenchPage } from './BenchPage';
export { framingsQuery } from './queries';
