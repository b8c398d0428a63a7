export { BenchPage } from './BenchPage';
export { BenchPile } from './BenchPile';
export { framingsQuery } from './queries';
