/**
 * Crop, tilt and scale in one interpolation, straight from the original's pixels.
 *
 * <p><b>What it is.</b> {@link embrick.core.resample.Window} says where an output sits in the original,
 * {@link embrick.core.resample.Kernel} how neighbours are weighed, {@link embrick.core.resample.Resampler} gives any
 * rectangle of the output.
 *
 * <p><b>Start reading</b> at {@code Window}, then {@code SeparableResampler}.
 *
 * <p><b>It must not know</b> tickets, papers, colour or files. Every output sample is the same whatever rectangle it was
 * asked with: positions are absolute and sums run in one fixed order.
 */
package embrick.core.resample;
