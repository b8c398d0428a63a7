/** JPEG through libturbojpeg. Start at {@link embrick.formats.jpeg.JpegHeader}. Knows ITU-T T.81, T.871 (JFIF) and its native binding. */
package embrick.formats.jpeg;
