export { WorkersPage as Component } from './WorkersPage';
