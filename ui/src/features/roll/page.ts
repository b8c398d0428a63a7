export { RollPage as Component } from './RollPage';
