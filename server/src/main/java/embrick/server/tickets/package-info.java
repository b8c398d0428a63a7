/** Tickets of a job. Start at {@link embrick.server.tickets.TicketService}. Must not know jobs, originals or runs. */
package embrick.server.tickets;
