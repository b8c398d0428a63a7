/**
 * What pictures show of their own accord, as offers: the border of a scan, how far a picture leans. Start at
 * {@link embrick.server.found.FoundController}. Nothing here changes a framing; what is taken is an edit like any other.
 */
package embrick.server.found;
