/** A simulated roll printer. */
package embrick.standins.roll;
