/** Trains the filters that {@link embrick.core.learned} applies, and tells what they gain on photographs they never saw. */
package embrick.bench.train;
