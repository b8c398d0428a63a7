/**
 * Lengths, resolutions and pixel sizes: the three quantities of which every print is made.
 *
 * <p><b>What it is.</b> {@link embrick.core.units.Length} is an exact amount of paper,
 * {@link embrick.core.units.Resolution} an exact rational of pixels to length, and
 * {@link embrick.core.units.PixelSize} a whole number of pixels each way. Any two give the third.
 *
 * <p><b>Start reading</b> at {@code Length}, then {@code Resolution.pixelsFor}, the one place where paper becomes pixels.
 *
 * <p><b>It must not know</b> papers, tickets or pictures. Arithmetic that would overflow throws; nothing takes null.
 */
package embrick.core.units;
