/** WebP through libwebp. Start at {@link embrick.formats.webp.WebpHeader}. Knows rasters; no tickets. */
package embrick.formats.webp;
