/**
 * What a picture shows of its own accord, found by measurement and offered to a person: nothing here changes anything. Every
 * finding has a {@link embrick.core.found.Confidence} and says plainly when it is not sure. Looks at
 * {@link embrick.core.found.SmallPixels}; must not know tickets or plans.
 */
package embrick.core.found;
