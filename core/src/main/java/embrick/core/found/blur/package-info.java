/**
 * How far a picture is blurred, read from an edge that somebody points at. Start at
 * {@link embrick.core.found.blur.EdgeSpread}.
 */
package embrick.core.found.blur;
