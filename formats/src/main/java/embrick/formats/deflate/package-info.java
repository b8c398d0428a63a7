/**
 * Packing by Deflate (RFC 1951) in the zlib format (RFC 1950): whole, by libdeflate, and in parts that are made apart and
 * joined. Start at {@link embrick.formats.deflate.Packer}. It knows no file format.
 */
package embrick.formats.deflate;
