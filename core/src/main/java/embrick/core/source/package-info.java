/**
 * What was read off an original before any work is done. Start at {@link embrick.core.source.SourceFacts}. Knows nothing
 * of files or codecs: {@code formats} fills these records.
 */
package embrick.core.source;
