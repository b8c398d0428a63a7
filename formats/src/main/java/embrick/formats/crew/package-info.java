/**
 * Threads that help with one picture when the machine has cores to spare. Start at {@link embrick.formats.crew.Crew}; it knows
 * nothing of pictures.
 */
package embrick.formats.crew;
