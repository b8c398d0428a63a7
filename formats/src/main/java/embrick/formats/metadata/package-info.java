/**
 * What pictures say in words, and of their camera: read from Exif, XMP and IPTC, chosen, and made ready for a new file. Start at
 * {@link embrick.formats.metadata.Carrying}.
 */
package embrick.formats.metadata;
