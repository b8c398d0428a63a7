/**
 * Measures the engine beside reference libraries in the same run, as ratios. Start at {@link embrick.bench.Bench}.
 */
package embrick.bench;
