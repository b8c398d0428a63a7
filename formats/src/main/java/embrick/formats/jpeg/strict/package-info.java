/**
 * Whether a JPEG's coded data are what they say, to the last bit. Start at {@link embrick.formats.jpeg.strict.StrictCheck},
 * which says what is looked for and why a decoder's warnings are not enough. Knows the code of ITU-T T.81 only; no pixels.
 */
package embrick.formats.jpeg.strict;
