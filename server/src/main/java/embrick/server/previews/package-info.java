/** Small pictures for the screen, made once by content. Start at {@link embrick.server.previews.SmallPictures}. Must not know jobs or runs. */
package embrick.server.previews;
