/**
 * Backgrounds grown for pictures, kept as derived layers: made once, by one thread, known by the digest of all that they are made
 * from, so that proof and file read the same pixels. Start at {@link embrick.server.backgrounds.Backgrounds}.
 */
package embrick.server.backgrounds;
