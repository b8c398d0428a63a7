/**
 * Everything that is done to framings, one edit one step, undone and redone in order. Start at
 * {@link embrick.server.edits.EditService}. It must not know of runs.
 */
package embrick.server.edits;
