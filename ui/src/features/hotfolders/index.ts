export { HotFoldersLine } from './HotFoldersLine';
