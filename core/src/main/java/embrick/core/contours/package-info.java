/**
 * Where a picture has its strongest contours: the places where sharpening shows. Start at
 * {@link embrick.core.contours.Contours}. Reads finished pixels; must not know plans.
 */
package embrick.core.contours;
