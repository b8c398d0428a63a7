/** Originals: intake, facts, problem. Start at {@link embrick.server.originals.Intake}. Must not know jobs. */
package embrick.server.originals;
