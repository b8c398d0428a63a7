export { HotFoldersPage as Component } from './HotFoldersPage';
