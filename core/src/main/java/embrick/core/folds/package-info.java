/**
 * What of a picture stands near the lines at which its sheet is folded or cut, and the smallest move that clears them. Start at
 * {@link embrick.core.folds.FoldGuard}. Nothing is recognised: not faces, not letters; only strong detail.
 */
package embrick.core.folds;
