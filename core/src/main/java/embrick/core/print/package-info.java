/**
 * Carrying out a plan. Start at {@link embrick.core.print.Printer}: it decides nothing. A
 * {@link embrick.core.print.Print} gives any rectangle of the sheet on demand, so a writer pulls it strip by strip and
 * nothing holds a whole output. Knows no files and no tickets.
 */
package embrick.core.print;
