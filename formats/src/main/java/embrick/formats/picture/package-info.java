/**
 * What all formats have in common. {@link embrick.formats.picture.PictureFormat} is what is read,
 * {@link embrick.formats.picture.PieceFormat} what is written: a new format is a package with one of them and a line in
 * {@code Formats}. Must not know any format.
 */
package embrick.formats.picture;
