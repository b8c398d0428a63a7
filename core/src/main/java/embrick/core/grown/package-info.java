/**
 * A background that a picture lacks, grown from its own texture: a band round it, one side, or the corners that levelling left.
 *
 * <p>Patch completion after Y. Wexler, E. Shechtman and M. Irani, "Space-time completion of video", 2007, and C. Barnes and others,
 * "PatchMatch", 2009, from the smallest scale to the output's own. Start at {@link embrick.core.grown.Grower}. Works on finished
 * pixels of any channels; knows neither plans nor files.
 */
package embrick.core.grown;
