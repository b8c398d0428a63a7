/**
 * Profiles: the shelf, what a job assumes for pictures without, and how a picture's colours are known. Start at
 * {@link embrick.server.profiles.PictureProfiles}. Must not know originals, tickets or jobs.
 */
package embrick.server.profiles;
