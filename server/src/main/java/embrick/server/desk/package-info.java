/**
 * The desk's instrument: pixels, size in print and ppi; what pictures give on saved sizes; ppi by viewing distance. Start at
 * {@link embrick.server.desk.DeskController}. Stores nothing.
 */
package embrick.server.desk;
