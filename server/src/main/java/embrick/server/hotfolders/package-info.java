/**
 * Folders that print what is dropped into them. Start at {@link embrick.server.hotfolders.HotFolderRound}: what is done with
 * a folder each time it is looked at. Every step is noted before it is taken, so that a kill at any instant takes no file
 * twice and loses none.
 */
package embrick.server.hotfolders;
