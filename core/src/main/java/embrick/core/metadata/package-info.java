/** What a piece says of its picture besides pixels, profile and ppi. Start at {@link embrick.core.metadata.MetadataChoice}. */
package embrick.core.metadata;
