/**
 * ICC profiles: read, judged, made, and converted between. Start at {@link embrick.formats.icc.ProfileShelf}. Clauses of ICC.1
 * are named from memory.
 */
package embrick.formats.icc;
