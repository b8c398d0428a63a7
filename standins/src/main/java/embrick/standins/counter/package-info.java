/**
 * A simulated lab: takes orders of pieces over HTTP in parts that are resumed, looks at each against its own rules, and can be
 * slow, down, full, or cut its connections.
 */
package embrick.standins.counter;
