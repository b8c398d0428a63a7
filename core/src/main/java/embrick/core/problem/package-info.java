/** What stands in the way, told once: {@link embrick.core.problem.Problem}. Must not know what any part of the application does. */
package embrick.core.problem;
