/**
 * Pixels in memory: {@link embrick.core.pixels.Raster} holds a decoded original outside the heap at its own depth,
 * {@link embrick.core.pixels.Strip} a few rows of interleaved floats on their way to the file. Start at {@code Raster}.
 * {@link embrick.core.pixels.Orientation} says how stored pixels are seen. Knows no kernels, no colour conversion, no files.
 */
package embrick.core.pixels;
