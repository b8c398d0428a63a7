/**
 * Sharpening after the size is right. Start at {@link embrick.core.sharpen.Sharpened}: it adds to each pixel what a filter of
 * luminance finds: unsharp masking, a part of how far luminance stands off a blurred copy, or a known blur taken back by
 * deconvolution. {@link embrick.core.sharpen.SharpeningSettings} are in output pixels; paper and millimetres are the ticket's
 * and the planner's. Knows no files, no profiles.
 */
package embrick.core.sharpen;
