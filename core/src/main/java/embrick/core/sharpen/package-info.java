/**
 * Sharpening after the size is right. Start at {@link embrick.core.sharpen.UnsharpMask}: it adds to each pixel a part of how far its
 * luminance stands off a blurred copy. {@link embrick.core.sharpen.SharpeningSettings} are in output pixels; paper and millimetres
 * are the ticket's and the planner's. Knows no files, no profiles.
 */
package embrick.core.sharpen;
