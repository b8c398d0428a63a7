/**
 * The proof: parts of pieces that are not made yet, pixel for pixel as their files will hold them. Start at
 * {@link embrick.server.proofs.ProofController}. It keeps nothing.
 */
package embrick.server.proofs;
