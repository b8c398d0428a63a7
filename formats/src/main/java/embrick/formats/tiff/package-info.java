/**
 * TIFF 6.0 and BigTIFF. Reading starts at {@link embrick.formats.tiff.TiffPictures}: our own {@code TiffHeader} says what a
 * file holds, libtiff unpacks it row by row in a process of its own, {@code TiffSamples} makes the raster's samples of that.
 * Writing starts at {@link embrick.formats.tiff.TiffPieces}. Knows rasters and rows; no tickets.
 */
package embrick.formats.tiff;
