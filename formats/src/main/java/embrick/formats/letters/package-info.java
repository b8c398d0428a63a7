/** Words on paper in a font that ships with the application. Start at {@link embrick.formats.letters.ShippedFont}. */
package embrick.formats.letters;
