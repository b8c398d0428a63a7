/**
 * HEIF and HEIC through libheif, in a process of its own. Start at {@link embrick.formats.heif.HeifFile}, then
 * {@code HeifProcess}, which says why. Knows rasters; no tickets.
 */
package embrick.formats.heif;
