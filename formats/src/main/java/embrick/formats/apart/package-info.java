/**
 * Decoding in processes of their own. Start at {@link embrick.formats.apart.DecoderPool}, which says why;
 * {@link embrick.formats.apart.DecoderLoop} is the other side. Knows rasters and files; no format: what a child does with a
 * file is {@code DecoderChild}'s.
 */
package embrick.formats.apart;
