export { BenchPage as Component } from './BenchPage';
