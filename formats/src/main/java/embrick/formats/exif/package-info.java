/** The Exif block, which is a small TIFF (CIPA DC-008, Exif 2.32). Start at {@link embrick.formats.exif.ExifFacts}. */
package embrick.formats.exif;
