/** Runs of pieces: planned and named at once, made one by one, published exactly once. Start at {@link embrick.server.runs.RunStart}, then {@code PieceMaker}; {@code Reconciler} tells what could be stuck. Must not know deliveries. */
package embrick.server.runs;
