/**
 * What a print will not show of a picture's colours. Start at {@link embrick.core.gamut.GamutCheck}. Knows pixels and
 * conversions, no plans and no files.
 */
package embrick.core.gamut;
