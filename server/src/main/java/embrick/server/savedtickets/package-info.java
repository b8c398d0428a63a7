/** Tickets kept outside jobs, to be used again. Start at {@link embrick.server.savedtickets.SavedTickets}. Must not know jobs. */
package embrick.server.savedtickets;
