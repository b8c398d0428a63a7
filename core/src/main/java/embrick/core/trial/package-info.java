/** Trial strips: parts of a print at its final size, in several settings on one small sheet, so that paper decides. */
package embrick.core.trial;
