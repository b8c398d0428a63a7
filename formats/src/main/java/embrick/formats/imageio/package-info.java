/**
 * Decoding through javax.imageio, for PNG and TIFF. Start at {@link embrick.formats.imageio.ImageIoReader}. Knows rasters
 * and colour models of the JDK; the headers are read elsewhere, before it is called.
 */
package embrick.formats.imageio;
