/** ICC profiles and conversion through Little CMS. Start at {@link embrick.formats.icc.ProfileShelf}. */
package embrick.formats.icc;
