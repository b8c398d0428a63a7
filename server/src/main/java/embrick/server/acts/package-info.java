/**
 * Everything that is done to framings, one act one step, undone and redone in order. Start at
 * {@link embrick.server.acts.ActService}. It must not know of runs.
 */
package embrick.server.acts;
