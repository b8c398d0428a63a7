/**
 * A simulated four-ink device, three papers for it, and what is worked out from reading its charts: which inks give a
 * colour, and how colours that it lacks are fitted in. Start at {@link embrick.demo.ink.SimulatedPaper}; then
 * {@link embrick.demo.ink.InkOnPaper}, the model, and {@link embrick.demo.ink.Inversion}, the way back.
 *
 * <p>It stands in for a real printer and an instrument. {@link embrick.demo.ink.PaperProfile} writes what was worked out as a profile. Knows no files or pictures.
 */
package embrick.demo.ink;
