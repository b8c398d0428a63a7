/** PNG, ISO/IEC 15948. Start at {@link embrick.formats.png.PngHeader}. */
package embrick.formats.png;
