/**
 * File names for a whole set at once, because names can meet. Start at {@link embrick.core.names.NameAllotment}. Knows
 * name patterns and words only; never looks at a disk.
 */
package embrick.core.names;
