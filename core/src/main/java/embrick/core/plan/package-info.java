/**
 * The plan: all numbers of one output, worked out once.
 *
 * <p><b>What it is.</b> {@link embrick.core.plan.Planner} is a pure function from facts, ticket and framing to a
 * {@link embrick.core.plan.Planning}. The drawing on the ticket, the bench's lines, the figures and the file all follow the
 * same {@link embrick.core.plan.Plan}.
 *
 * <p><b>Start reading</b> at {@code Planner.plan}; its test reads as the rules in sentences.
 *
 * <p><b>It must not know</b> files, clocks or pixels. Every rounding to whole pixels happens here, by a named rule.
 */
package embrick.core.plan;
