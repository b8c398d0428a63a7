/** Runs of pieces: planned and named at once, made one by one, published exactly once. Start at {@link embrick.server.runs.RunService}, then {@code PieceMaker}. Must not know deliveries. */
package embrick.server.runs;
