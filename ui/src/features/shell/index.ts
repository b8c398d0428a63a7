export { JobShell } from './JobShell';
export { Page } from './Page';
