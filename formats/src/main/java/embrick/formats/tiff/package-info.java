/** TIFF 6.0. Start at {@link embrick.formats.tiff.TiffHeader}; its directories serve Exif too. */
package embrick.formats.tiff;
