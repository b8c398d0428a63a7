/**
 * Processes that make pieces, on this machine and on others: that they are there, what each is making, how each ended, and
 * that they all have the same storage. Knows tables of runs by their names alone, no class of them.
 */
package embrick.server.workers;
