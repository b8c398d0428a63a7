/**
 * Papers by size and name. Start at {@link embrick.core.paper.PaperCatalogue}. Knows lengths only: no pixels, no tickets.
 */
package embrick.core.paper;
