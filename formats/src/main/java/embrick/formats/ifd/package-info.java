/** The directories of TIFF 6.0, which Exif uses too. Start at {@link embrick.formats.ifd.Ifd}. Knows no pixels. */
package embrick.formats.ifd;
