/**
 * Prints that lie on a scanner's bed: their four sides and their tilt. Start at
 * {@link embrick.core.found.scan.ScanBorder}. Must not know framings.
 */
package embrick.core.found.scan;
