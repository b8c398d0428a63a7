/**
 * Folders of the server's own disks whose pictures are opened where they lie. Start at
 * {@link embrick.server.folders.FolderIntake}. Nothing here writes into them.
 */
package embrick.server.folders;
