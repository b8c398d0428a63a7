/**
 * Parts of tickets that are kept outside jobs: saved sizes, name patterns, product rules; and the files in which they, and saved
 * tickets, leave and come. Start at {@link embrick.server.kept.KeptShelf}; a new kind is a new {@code KeptDocument}. Must not know
 * jobs.
 */
package embrick.server.kept;
