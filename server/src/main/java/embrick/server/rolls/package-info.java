/** The roll printer: what it has in it, what it prints, and its jobs. */
package embrick.server.rolls;
