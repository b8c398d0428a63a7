/**
 * The innermost loops over runs of floats, twice: {@link embrick.core.lanes.PlainLanes} in plain Java and
 * {@link embrick.core.lanes.VectorLanes} in vector code. Both do the same additions and multiplications in the same order
 * for every float, never a fused one and never across lanes, so their results are equal to the bit whatever the machine.
 * Start at {@link embrick.core.lanes.Lanes}. Knows arrays only; nothing of pictures.
 */
package embrick.core.lanes;
