/**
 * What to make, as it was said: in lengths, shapes and words. Start at {@link embrick.core.ticket.Ticket}. Knows papers
 * and units; must not know pixels of any picture, framings or files.
 */
package embrick.core.ticket;
