export { FolderChooser } from './FolderChooser';
export { OpenFolder } from './OpenFolder';
export { OpenedFolders } from './OpenedFolders';
export { foldersQuery, lastName, openFolder, placeWords } from './queries';
