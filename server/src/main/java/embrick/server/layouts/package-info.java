/** Finished pieces of runs laid together on a roll or on cut sheets, and handed over as one PDF. Nothing is stored: the same wish is laid the same. Start at {@link embrick.server.layouts.Layouts}. */
package embrick.server.layouts;
