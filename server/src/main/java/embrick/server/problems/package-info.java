/** Failures as people and programs see them: RFC 9457. Start at {@link embrick.server.problems.ProblemException}. Knows no feature. */
package embrick.server.problems;
