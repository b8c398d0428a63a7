/** Framings by original and shape, and the plan a ticket makes of them. Start at {@link embrick.server.framings.Estimate}. Uses originals and tickets; must not know runs. */
package embrick.server.framings;
