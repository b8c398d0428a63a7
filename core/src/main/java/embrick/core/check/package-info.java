/**
 * Holding a finished file against its plan. Start at {@link embrick.core.check.Expectation}. Knows facts and plans only:
 * {@code formats} opens the file.
 */
package embrick.core.check;
