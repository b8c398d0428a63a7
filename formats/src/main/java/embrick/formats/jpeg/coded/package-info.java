/**
 * The coded data of a JPEG, bit by bit (ITU-T T.81); no pixels. {@link embrick.formats.jpeg.coded.StrictCheck} says whether
 * they are what they say, to the last bit, and why a decoder's warnings are not enough. On its way it notes where each row of
 * blocks begins ({@link embrick.formats.jpeg.coded.RowIndex}), by which {@link embrick.formats.jpeg.coded.PartStream} cuts a
 * file of any rows out of a whole one.
 */
package embrick.formats.jpeg.coded;
