/**
 * A simulated four-ink device, three papers for it, and what is worked out from reading its charts: which inks give a
 * colour, and how colours that it lacks are fitted in. Start at {@link embrick.core.ink.SimulatedPaper}; then
 * {@link embrick.core.ink.InkOnPaper}, the model, and {@link embrick.core.ink.Inversion}, the way back.
 *
 * <p>It stands in for a real printer and an instrument. Knows colours, but no ICC bytes, files or pictures.
 */
package embrick.core.ink;
