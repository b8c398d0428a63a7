/**
 * How far a picture leans, from its own long straight lines. Start at {@link embrick.core.found.level.LevelFinder}. Must not
 * know framings.
 */
package embrick.core.found.level;
