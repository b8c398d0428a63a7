/**
 * What goes round a sheet, in pixels: bands, what they are filled with, lines and words on them.
 *
 * <p><b>What it is.</b> {@link embrick.core.edge.Extension} is the part of a plan that says it;
 * {@link embrick.core.edge.WithBands} carries it out. A band is a fold of coordinates: its pixels are the sheet's own
 * finished ones, read again in another order. Nothing is resampled a second time and no sheet is copied.
 *
 * <p><b>Start reading</b> at {@code Extension}, then {@code Fold}, the rule for one axis, then {@code WithBands}.
 *
 * <p><b>It must not know</b> tickets, inches or files.
 */
package embrick.core.edge;
