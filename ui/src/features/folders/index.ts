export { FolderChooser } from './FolderChooser';
export { OpenedFolders } from './OpenedFolders';
export { foldersQuery, lastName, openFolder, placeWords } from './queries';
