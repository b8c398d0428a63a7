export { DiskUsePage as Component } from './DiskUsePage';
