/**
 * HEIF and HEIC through libheif, in a process of its own. Start at {@link embrick.formats.heif.HeifFile};
 * {@code apart.DecoderPool} says why. Knows rasters; no tickets.
 */
package embrick.formats.heif;
