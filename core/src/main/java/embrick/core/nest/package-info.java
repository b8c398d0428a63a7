/**
 * Pieces laid on a roll or on cut sheets so that little paper is lost: rectangles packed into a strip of a width, or into
 * sheets of a size. Start at {@link embrick.core.nest.StripNester} and {@link embrick.core.nest.SheetNester}. All lengths
 * are whole micrometres, so that "no overlap" is exact.
 */
package embrick.core.nest;
