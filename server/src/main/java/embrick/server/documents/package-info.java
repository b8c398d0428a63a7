/** JSON in the database and on the wire: tickets and framings with their schema version, and how they become the core's types. Start at {@link embrick.server.documents.TicketDocument}. Knows no entity. */
package embrick.server.documents;
