export { JobsPage as Component } from './JobsPage';
