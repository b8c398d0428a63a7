export { CounterPage as Component } from './CounterPage';
