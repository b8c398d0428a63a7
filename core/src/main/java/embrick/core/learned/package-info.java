/**
 * Detail that was learned: small filters that say what pixels between pixels are more than the usual kernels make of them.
 *
 * <p><b>What it is.</b> {@link embrick.core.learned.LearnedFilters} are the layers of a small convolutional network, trained
 * beforehand and shipped as fixed bytes; {@link embrick.core.learned.DetailTile} applies them to a part of a luminance.
 *
 * <p><b>It must not know</b> windows, files, tickets or how the filters were trained.
 */
package embrick.core.learned;
