/** Words on paper in fonts that come with the application. Start at {@link embrick.formats.letters.Lettering}. */
package embrick.formats.letters;
