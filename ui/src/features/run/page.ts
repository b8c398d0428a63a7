export { RunPage as Component } from './RunPage';
