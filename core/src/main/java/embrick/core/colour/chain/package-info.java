/**
 * Conversions of colour as chains of steps in floats: curves, matrices, tables with colours between their nodes. Start at
 * {@link embrick.core.colour.chain.Chain}. Knows no ICC bytes: {@code formats} reads steps out of profiles.
 */
package embrick.core.colour.chain;
