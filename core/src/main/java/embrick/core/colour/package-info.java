/**
 * Colour conversion as the engine sees it: an interface over rows. Start at {@link embrick.core.colour.Transforms}; the
 * {@code formats} module implements it. Knows no ICC bytes and no files.
 */
package embrick.core.colour;
